import { withTermsAs } from '../../marks/markRules'
import { writeByGrade } from '../../people/byGrade'
import { writeGrades } from '../../people/gradeRange'
import { writePlan } from '../../narrative/plan'
import { nothingRetired, type Retired } from '../../school/keptSetup'
import type { Term } from '../../record/term'
import type { SchoolSetup } from '../../school/schoolSetup'
import { nameOfStrand } from '../../school/strand'
import { tiers } from '../../scales/tier'
import { writePhrasebook } from './phrasebookFile'
import { writeCsv } from '../files/writeCsv'

const subjectFileColumns = [
  ...['key', 'name', 'in a sentence', 'teacher', 'mark scale', 'skill scale', 'mark scale by grade'],
  ...['skill scale by grade', 'taken by', 'retired'],
]
const skillFileColumns = [
  ...['id', 'subject', 'strand', 'strand name', 'statement', 'family words', 'in a sentence', 'does', 'grades'],
  ...['teacher only', 'retired'],
]

/**
 * A school's set-up as the files of a school folder (docs/formats.md), by name: the inverse of readSetupFolder.
 * @param terms the year's: what they weigh is written down under what they are called, as terms are known in a folder
 * @example writeSetupFolder(setup).get('habits.csv') // 'key,name,family words,scale\r\n…'
 */
export function writeSetupFolder(
  setup: SchoolSetup,
  retired: Retired = nothingRetired,
  terms: readonly Pick<Term, 'id' | 'name'>[] = [],
): Map<string, string> {
  const ifRetired = (of: keyof Retired, key: string): string => (retired[of].has(key) ? 'yes' : '')
  const { school, layout, scales, subjects, skills, habits, boxes, phrasebook } = setup
  const called = new Map(terms.map(({ id, name }) => [id, name]))
  /** Said only where it is called differently now. */
  const strandName = (key: string, strand: string): string => {
    const name = nameOfStrand(
      subjects.find((subject) => subject.key === key),
      strand,
    )
    return name === strand ? '' : name
  }
  return new Map([
    ['school.json', json({ ...school, markRules: withTermsAs(school.markRules, called) })],
    ['layout.json', json(layout)],
    [
      'scales.csv',
      writeCsv([
        ['scale', 'kind', 'scale name', 'symbol', 'name', 'family sentence', 'tier', 'lowest percent'],
        ...scales.flatMap(({ key, kind, name, levels }) =>
          levels.map((level) => [
            ...[key, kind, name, level.symbol, level.name, level.familySentence, level.tier],
            level.lowestPercent,
          ]),
        ),
      ]),
    ],
    [
      'subjects.csv',
      writeCsv([
        subjectFileColumns,
        ...subjects.map((subject) => [
          ...[subject.key, subject.name, subject.inSentence, '', subject.markScale, subject.skillScale],
          ...[writeByGrade(subject.markScaleByGrade), writeByGrade(subject.skillScaleByGrade)],
          subject.takenBy === 'groups' ? 'groups' : '',
          ifRetired('subjects', subject.key),
        ]),
      ]),
    ],
    [
      'skills.csv',
      writeCsv([
        skillFileColumns,
        ...skills.map(({ id, subject, strand, statement, familyWords, inSentence, does, grades, teacherOnly }) => [
          ...[
            id,
            subject,
            strand,
            strandName(subject, strand),
            statement,
            familyWords,
            inSentence,
            does,
            writeGrades(grades),
          ],
          ...[teacherOnly ? 'yes' : '', ifRetired('skills', id)],
        ]),
      ]),
    ],
    [
      'habits.csv',
      writeCsv([
        ['key', 'name', 'family words', 'scale', 'retired'],
        ...habits.map(({ key, name, familyWords, scale }) => [
          ...[key, name, familyWords, scale, ifRetired('habits', key)],
        ]),
      ]),
    ],
    [
      'boxes.csv',
      writeCsv([
        ['key', 'name', 'subject', 'limit', 'limit by grade', 'plan', 'tone', 'retired'],
        ...boxes.map(({ key, name, subject, limit, limitByGrade, plan, tone }) => [
          ...[key, name, subject ?? '', limit, writeByGrade(limitByGrade), writePlan(plan), tone],
          ifRetired('boxes', key),
        ]),
      ]),
    ],
    ['phrasebook.csv', writePhrasebook(phrasebook)],
    [
      'describing-words.csv',
      writeCsv([
        ['level', 'word'],
        ...tiers.flatMap((tier) => phrasebook.describing[tier].map((word) => [tier, word])),
      ]),
    ],
  ])
}

function json(value: object): string {
  return `${JSON.stringify(value, null, 2)}\n`
}
