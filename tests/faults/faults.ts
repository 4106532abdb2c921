import { usualCheckSettings } from '../../core/school/checkSettings'
import { sentencesOf } from '../../core/narrative/sentences'
import { preference } from '../../core/narrative/preference'
import type { CommentBox } from '../../core/narrative/plan'
import { he, she, they, type PronounSet } from '../../core/people/pronouns'
import { narrativeFacts } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import { standingsOfBox } from '../../core/narrative/standingsOfBox'
import { tierRank } from '../../core/scales/tier'
import type { ClassRecord } from '../../core/record/classRecord'
import type { Student } from '../../core/record/roster'
import type { StudentComment } from '../../core/record/termRecord'

/** A clean comment in its class. */
export interface CleanComment {
  record: ClassRecord
  student: Student
  box: CommentBox
  comment: StudentComment
}

/** A clean comment with one fault put into it. */
export interface Seeded {
  record: ClassRecord
  comment: StudentComment
}

/** Puts a fault of one kind into a clean comment; null where this comment offers no place for it. */
type Seeder = (clean: CleanComment, chance: (what: string) => number) => Seeded | null

/** Every kind of fault by the check that shall find it. The faults are ours, made as teachers make them. */
export const faultKinds: Record<string, Seeder> = {
  'another name': withText(({ text, student, record, chance }) => {
    const others = record.students.filter(
      (each) =>
        each.usedName !== student.usedName &&
        each.legalGiven !== student.legalGiven &&
        !student.usedName.includes(each.usedName) &&
        each.usedName !== student.legalGiven,
    )
    const other = pick(others, chance('who'))
    const places = [...text.matchAll(new RegExp(`(?<!\\p{L})${student.usedName}(?!\\p{L})`, 'gu'))].filter(
      (match) => match.index > 0 && !/[.!?]["”’]?\s+$/.test(text.slice(0, match.index)),
    )
    const place = pick(places, chance('where'))
    if (other && place)
      return text.slice(0, place.index) + other.usedName + text.slice(place.index + student.usedName.length)
    return other && text.replace(/\.$/, `, as does ${other.usedName}.`)
  }),
  'pronoun': withText(({ text, student, chance }) => {
    if (student.pronouns === 'name only') return null
    const own = student.pronouns
    const foreign: PronounSet = own.subject === 'she' ? he : own.subject === 'he' ? she : chance('set') < 0.5 ? she : he
    const cases = ['subject', 'determiner', 'object', 'reflexive'] as const
    const places = cases
      .flatMap((each) =>
        [...text.matchAll(new RegExp(`(?<!\\p{L})${own[each]}(?!\\p{L})`, 'giu'))].map((match) => ({ each, match })),
      )
      // "They" and "them" may be others in the text: only what is surely the student's is exchanged.
      .filter(({ match }) => own !== they || /^They/.test(match[0]))
    const place = pick(places, chance('where'))
    return place ? exchange(text, place.match, foreign[place.each]) : null
  }),
  'pronoun in the wrong case': withText(({ text, student, chance }) => {
    if (student.pronouns === 'name only') return null
    const { subject, object } = student.pronouns
    const place = pick(
      [
        ...text.matchAll(
          new RegExp(
            `(?<!\\p{L})${subject}(?= (has|is|can|could|needs|knows|says|keeps|makes|finds|understands|remembers) )`,
            'giu',
          ),
        ),
      ],
      chance('where'),
    )
    return place ? exchange(text, place, object) : null
  }),
  'his/her left over': withText(({ text, student, chance }) => {
    if (student.pronouns === 'name only') return null
    const { determiner, subject } = student.pronouns
    const place = pick(
      [...text.matchAll(new RegExp(`(?<!\\p{L})(${determiner}|${subject})(?!\\p{L})`, 'giu'))],
      chance('where'),
    )
    return place ? exchange(text, place, place[0].toLowerCase() === subject ? 'he/she' : 'his/her') : null
  }),
  'name missing': withText(({ text, student, chance }) =>
    text.replaceAll(student.usedName, pick(['This student', 'The child'], chance('what')) ?? 'The child'),
  ),
  'blank left': withText(({ text, chance }) =>
    atGap(
      text,
      chance('where'),
      pick(['{skill}', '[add example]', '____', 'XXX', '{They}', '[name]', '....', '{#best work}'], chance('what')) ??
        '',
    ),
  ),
  'repeated word': withText(({ text, chance }) => {
    const place = pick(
      [...text.matchAll(/(?<= )\p{L}{2,}(?= )/gu)].filter((match) => !/^(had|that)$/.test(match[0])),
      chance('where'),
    )
    return place ? exchange(text, place, `${place[0]} ${place[0]}`) : null
  }),
  'describing word twice': withText(({ text, record, chance }) => {
    const word = pick(record.phrasebook.describing.sound, chance('what')) ?? ''
    return `${text} This was ${word} work. It was ${chance('form') < 0.5 ? word : word.replace(/y$/, 'i')}${chance('form') < 0.5 ? '' : 'ly'} done.`
      .replace('lely', 'ly')
      .replace(/ioly/, 'ily')
  }),
  'same text': (clean, chance) => {
    const { record, student, box, comment } = clean
    const other = pick(
      record.students.filter((each) => each.id !== student.id),
      chance('who'),
    )
    if (!other) return null
    const words = comment.text.replaceAll(student.usedName, other.usedName)
    const near = chance('near') < 0.5 ? words : words.replace(/ (\p{L}+)\.$/u, ' indeed.')
    return {
      comment,
      record: withComment(record, { ...comment, studentId: other.id, box: box.key, text: near, sentences: [] }),
    }
  },
  'contradicts the level': withText(({ text, student, box, comment, record, chance }) => {
    const high = ['brilliant', ...record.phrasebook.describing.top]
    if (comment.ownWords) {
      // A sentence that names what it speaks of, by its place or by its word.
      const extreme = standingsOfBox(box.subject, narrativeFacts(indexRecord(record), student.id, box)).filter(
        ({ tier, uneven }) => tier !== 'sound' && !uneven,
      )
      const about = pick(extreme, chance('where'))
      const word =
        about &&
        (tierRank(about.tier) < tierRank('sound')
          ? pick(high, chance('what'))
          : pick(['struggling', 'weak', 'poor'], chance('what')))
      return about && `${text} In ${about.name.toLowerCase()}, this was ${word}.`
    }
    const sentence = pick(
      comment.sentences.filter(
        (each) =>
          // What is wished for next may well be brilliant.
          each.parts.some((part) => /^(outcome|habit|progress|skill)/.test(part)) &&
          each.because.every(
            (because) =>
              because.kind === 'trend' ||
              because.tier === 'starting' ||
              because.tier === 'growing' ||
              because.tier === 'top' ||
              because.tier === 'strong',
          ) &&
          each.because.some((because) => because.tier !== null),
      ),
      chance('where'),
    )
    const tiers = sentence?.because.flatMap((because) => because.tier ?? []) ?? []
    const low = tiers.every((tier) => tier === 'starting' || tier === 'growing')
    if (!sentence || (!low && tiers.some((tier) => tier === 'starting' || tier === 'growing'))) return null
    const word = low ? pick(high, chance('what')) : pick(['struggling', 'weak', 'poor'], chance('what'))
    // Behind a semicolon stands a next step.
    const stop = text.slice(sentence.start, sentence.end).indexOf(';')
    const at = stop < 0 ? sentence.end - 1 : sentence.start + stop
    return `${text.slice(0, at)}, which is ${word}${text.slice(at)}`
  }),
  'mark and levels differ': ({ record, student, box, comment }) => {
    const strands = standingsOfBox(box.subject, narrativeFacts(indexRecord(record), student.id, box))
    const [high, low] = [
      strands.every(({ tier }) => tierRank(tier) >= tierRank('sound')),
      strands.every(({ tier }) => tierRank(tier) < tierRank('sound')),
    ]
    if (box.subject === null || strands.length === 0 || high === low) return null
    const mark = { studentId: student.id, subject: box.subject, percent: high ? 5 : 95, special: null, reason: null }
    return {
      comment,
      record: {
        ...record,
        marks: [...record.marks.filter((each) => each.studentId !== student.id || each.subject !== box.subject), mark],
      },
    }
  },
  'word not wanted': withText(({ text, chance }) =>
    atGap(text, chance('where'), pick(usualCheckSettings.notWanted, chance('what'))?.words ?? ''),
  ),
  'private matter': withText(({ text, chance }) =>
    atGap(
      text,
      chance('where'),
      pick(
        usualCheckSettings.privateMatters.flatMap((each) => each.words),
        chance('what'),
      ) ?? '',
    ),
  ),
  'too long': withText(
    ({ text, box, chance }) =>
      text +
      ' And there is more to say.'.repeat(
        Math.ceil((box.limit - text.length) / 25) + 1 + Math.floor(chance('more') * 3),
      ),
  ),
  'very short': withText(
    ({ student, chance }) =>
      `${student.usedName} ${pick(['reads well.', 'does fine.', 'is a joy.', 'tries hard.'], chance('what'))}`,
  ),
  'empty': withText(() => ''),
  'hard to read': withText(({ text, chance }) => `${text} ${pick(hardSentences, chance('what'))}`),
  'spacing': withText(({ text, chance }) => {
    const gap = pick([...text.matchAll(/ /g)], chance('where'))
    if (!gap) return null
    const kind = pick(['  ', '\n', ' . ', ' , '], chance('what')) ?? '  '
    return text.slice(0, gap.index) + kind + text.slice(gap.index + 1)
  }),
  'out of step': ({ record, student, comment }, chance) => {
    const because = pick(
      comment.sentences
        .flatMap((sentence) => sentence.because)
        .filter((each) => each.tier !== null && each.kind !== 'mark'),
      chance('which'),
    )
    if (!because) return null
    // A skill or habit that is told by itself is known as "level of M1".
    const about = because.about.replace(/^level of /, '')
    const drop = (levels: ClassRecord['levels']): ClassRecord['levels'] =>
      levels.map((level) =>
        level.studentId === student.id && level.about === about
          ? {
              ...level,
              symbol:
                because.tier === 'top' ? (because.kind === 'habit' ? 'L' : '1') : because.kind === 'habit' ? 'N' : '5',
            }
          : level,
      )
    // Every skill of the strand moves, so that the strand does.
    const strand = record.skills.find((skill) => skill.id === about)
    const ids = new Set(
      strand
        ? record.skills
            .filter((skill) => skill.subject === strand.subject && skill.strand === strand.strand)
            .map((skill) => skill.id)
        : [],
    )
    const levels = record.levels.map((level) =>
      level.studentId === student.id && ids.has(level.about)
        ? { ...level, symbol: because.tier === 'top' ? '1' : '5' }
        : level,
    )
    return { comment, record: { ...record, levels, habitScores: drop(record.habitScores) } }
  },
}

const hardSentences = [
  'Notwithstanding considerable organisational improvement, comprehensive conceptual consolidation necessitates additional individualised opportunities throughout subsequent instructional sequences, particularly concerning multiplicative relationships and proportional generalisations encountered independently.',
  'Metacognitive self-regulation and interdisciplinary synthesis, demonstrated intermittently throughout collaborative investigations, indicate considerable developmental potential regarding analytical argumentation, hypothetical deduction and systematic evaluation of contradictory experimental information.',
]

/** A deterministic stand-in for chance, from 0 to 1. */
export function chanceOf(seed: string): (what: string) => number {
  return (what) => Math.min(0.999999, preference(seed, what))
}

function pick<T>(items: readonly T[], chance: number): T | undefined {
  return items[Math.floor(chance * items.length)]
}

function withText(
  change: (given: CleanComment & { text: string; chance: (what: string) => number }) => string | null | undefined,
): Seeder {
  return (clean, chance) => {
    const text = change({ ...clean, text: clean.comment.text, chance })
    if (text === null || text === undefined || text === clean.comment.text) return null
    const comment = { ...clean.comment, text, ownWords: true }
    return { comment, record: withComment(clean.record, comment) }
  }
}

/** A record in which a comment stands in place of the one before. */
export function withComment(record: ClassRecord, comment: StudentComment): ClassRecord {
  return {
    ...record,
    comments: [
      ...record.comments.filter((each) => each.studentId !== comment.studentId || each.box !== comment.box),
      comment,
    ],
  }
}

function exchange(text: string, match: RegExpMatchArray, word: string): string {
  const at = match.index ?? 0
  const cased = /^\p{Lu}/u.test(match[0]) ? word.charAt(0).toUpperCase() + word.slice(1) : word
  return text.slice(0, at) + cased + text.slice(at + match[0].length)
}

/** Puts words between two others, inside a sentence. */
function atGap(text: string, chance: number, words: string): string | null {
  const sentence = pick(sentencesOf(text), chance)
  const gaps = sentence ? [...sentence.text.matchAll(/ /g)] : []
  const gap = pick(gaps, (chance * 7) % 1)
  if (!sentence || !gap) return null
  const at = sentence.start + gap.index
  return `${text.slice(0, at)} ${words}${text.slice(at)}`
}
