import { roundHalfUp } from '../marks/rounding'
import { countsOf } from '../record/ratedFacts'
import { recordedScores, type RecordedScores } from '../record/recordedScores'
import { anyOf, pattern } from '../text/pattern'
import { explanations } from './explanations'
import type { Check, Finding } from './finding'

const raw = String.raw

/** By their value, "no" beside "zero". */
const numberWords = `no zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen
  sixteen seventeen eighteen nineteen twenty`.split(/\s+/)
const number = `(\\d+(?:[.,]5|½)?|${numberWords.join('|')})`
const works = `(?:${anyOf(
  'pieces?_of_work pieces tasks? reports? assignments? homeworks? results? write-ups?',
)}|of ${anyOf('his her their the')} \\p{L}+-?\\p{L}*)`

/** A number in figures or in words; undefined where it is none. */
function valueOf(written: string): number | undefined {
  if (/^\d/.test(written)) return Number(written.replace(',', '.').replace('½', '.5'))
  const place = numberWords.indexOf(written.toLowerCase())
  return place < 0 ? undefined : Math.max(0, place - 1)
}

/** Days away, days present, work late or missing, scores and marks that are not those on record. */
export const numbersWrong: Check = ({ index, student, box, text }) => {
  const subject = index.record.subjects.find((each) => each.key === box.subject)
  const { attendance, late, missing } = countsOf(index, student.id, subject)
  const away = attendance?.absences
  const present = attendance ? attendance.daysOpen - attendance.absences : undefined
  const counted = (recorded: number | undefined, what: string, ...said: string[]): Finding[] =>
    countedOtherwise(text, pattern(raw`\b`, ...said), { recorded, what })
  return [
    ...counted(
      away,
      'days away',
      raw`(?:missed|absent (?:for|on)|away (?:for|on)|off school (?:for|on)?) `.concat(
        raw`${number} (?:school )?days?\b(?! running)`,
      ),
    ),
    ...counted(away, 'days away', raw`${number} (?:days? of absence|absences)\b`),
    ...counted(
      present,
      'days at school',
      raw`(?:here|present|at school|in school) (?:on|for) ${number} (?:of|out of) (?:the )?(?:\d+ )?(?:school )?days\b`,
    ),
    ...counted(
      missing,
      'missing',
      raw`${number} ${works}[^.;:]{0,25}? (?:is|are|was|were|still|remains?)(?: still)? missing\b`,
    ),
    ...counted(
      late,
      'late',
      raw`${number} ${works}(?: ${anyOf('was were came have_been has_been is are arrived')})? late\b`,
    ),
    ...(subject ? wrongScores(recordedScores(index, student.id, subject.key), text) : []),
  ]
}

/** Where a text says another number than is recorded; the pattern's group is the number. */
function countedOtherwise(
  text: string,
  said: RegExp,
  { recorded, what }: { recorded: number | undefined; what: string },
): Finding[] {
  if (recorded === undefined) return []
  return [...text.matchAll(said)].flatMap((match) => {
    const value = valueOf(match[1] ?? '')
    if (value === undefined || value === recorded) return []
    const start = match.index
    const why = explanations['contradicts the record'].count(match[0], recorded, what)
    return [{ check: 'contradicts the record', why, start, end: start + match[0].length, mends: [] }]
  })
}

/** "17 out of 20", "17/20", "84 %" in a subject where nobody has given that. */
function wrongScores({ scores, percents }: RecordedScores, text: string): Finding[] {
  if (scores.length === 0) return []
  const ofScores = [
    ...text.matchAll(/\b(\d+(?:\.\d+)?)(?: (?:out )?of |\/)(\d+)\b(?! (?:days?|weeks?|skills?|pieces|tasks))/g),
  ].filter((match) => {
    const ofSize = scores.filter(({ outOf }) => outOf === Number(match[2]))
    return ofSize.length > 0 && !ofSize.some(({ score }) => score === Number(match[1]))
  })
  const ofPercents = [...text.matchAll(/\b(\d+(?:\.\d+)?) ?(?:%|per ?cent)/g)].filter(
    (match) => !percents.includes(roundHalfUp(Number(match[1]))),
  )
  return [...ofScores, ...ofPercents].map((match) => ({
    check: 'contradicts the record',
    start: match.index,
    end: match.index + match[0].length,
    mends: [],
    why: explanations['contradicts the record'].score(match[0]),
  }))
}
