import { writeGrades } from '../../people/gradeRange'
import { writePlan } from '../../narrative/plan'
import type { SchoolSetup } from '../../school/schoolSetup'
import { tiers } from '../../scales/tier'
import { writePhrasebook } from '../phrasebookFile'
import { writeCsv } from '../writeCsv'

/**
 * A school's set-up as the files of a school folder (docs/formats.md), by name: the inverse of readSetupFolder.
 * @example writeSetupFolder(setup).get('habits.csv') // 'key,name,family words,scale\r\n…'
 */
export function writeSetupFolder(setup: SchoolSetup): Map<string, string> {
  const { school, layout, scales, subjects, skills, habits, boxes, phrasebook } = setup
  return new Map([
    ['school.json', json(school)],
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
        ['key', 'name', 'in a sentence', 'teacher', 'mark scale', 'skill scale'],
        ...subjects.map(({ key, name, inSentence, markScale, skillScale }) => [
          ...[key, name, inSentence, '', markScale, skillScale],
        ]),
      ]),
    ],
    [
      'skills.csv',
      writeCsv([
        ['id', 'subject', 'strand', 'statement', 'family words', 'in a sentence', 'does', 'grades', 'teacher only'],
        ...skills.map(({ id, subject, strand, statement, familyWords, inSentence, does, grades, teacherOnly }) => [
          ...[id, subject, strand, statement, familyWords, inSentence, does, writeGrades(grades)],
          teacherOnly ? 'yes' : '',
        ]),
      ]),
    ],
    [
      'habits.csv',
      writeCsv([
        ['key', 'name', 'family words', 'scale'],
        ...habits.map(({ key, name, familyWords, scale }) => [key, name, familyWords, scale]),
      ]),
    ],
    [
      'boxes.csv',
      writeCsv([
        ['key', 'name', 'subject', 'limit', 'plan', 'tone'],
        ...boxes.map(({ key, name, subject, limit, plan, tone }) => [
          ...[key, name, subject ?? '', limit, writePlan(plan), tone],
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
