import fc from 'fast-check'
import type { z } from 'zod'
import type { FolderRows } from '../core/exchange/folder/recordFiles'
import type { FolderYear } from '../core/exchange/folder/schoolFolder'
import { bounds, fields } from '../core/record/fields'
import { rows, year } from './exampleYear'

// A year of a school in which every name, number, day and text is whatever may be typed, to the very bounds.

/** What files lose easily. */
const awkward = [
  ',',
  ';;',
  '=1+1',
  '"quoted"',
  '"',
  '’tis',
  "'tis",
  '-5',
  '+',
  '@x',
  'a,b;c|d',
  'a\nb',
  'עברית',
  'Zoë',
  '0',
  'null',
]

/** Any text of a field, as the field keeps it; often one that is as long as it may be. */
const textOf = (field: z.ZodType<string, string>, most: number): fc.Arbitrary<string> =>
  fc
    .oneof(
      fc.string({ unit: 'grapheme', minLength: 1, maxLength: Math.min(most, 30) }),
      fc.constantFrom(...awkward),
      fc.constantFrom('x'.repeat(most), '😀'.repeat(Math.floor(most / 2))),
    )
    .map((written) => field.safeParse(written).data)
    .filter((kept) => kept !== undefined)
const distinct = (field: z.ZodType<string, string>, most: number, count: number): fc.Arbitrary<string[]> =>
  fc.uniqueArray(textOf(field, most), {
    ...{ minLength: count, maxLength: count },
    selector: (text) => text.toLocaleLowerCase('en'),
  })
const between = ({ least, most }: { least: number; most: number }): fc.Arbitrary<number> =>
  fc.oneof(fc.double({ min: least, max: most, noNaN: true }), fc.constantFrom(least, most)).map((number) => number + 0)
const days = fc.constantFrom(bounds.day.first, bounds.day.last, '2024-02-29', '2026-12-01')

const written = fc.record({
  numbers: distinct(fields.schoolNumber, bounds.schoolNumber, 3),
  rooms: distinct(fields.className, bounds.className, 2),
  people: distinct(fields.signIn, 80, 2).map((names) => names.map((name) => name.toLocaleLowerCase('en').slice(0, 80))),
  terms: distinct(fields.termName, 80, 2),
  titles: distinct(fields.workTitle, bounds.workTitle, 2),
  given: textOf(fields.givenName, bounds.personName),
  family: fc.oneof(fc.constant(''), textOf(fields.familyName, bounds.personName)),
  pronouns: fc.constantFrom('she/her', 'name only', 'xe/xem/xyr/xyrs/xemself'),
  grade: fc.oneof(fc.constant(''), textOf(fields.gradeLevel, bounds.gradeLevel)),
  category: textOf(fields.categoryName, bounds.categoryName),
  isExam: fc.boolean(),
  weight: between(bounds.weight),
  outOf: between(bounds.outOf),
  day: fc.option(days),
  remark: textOf(fields.remark, bounds.remark),
  reason: fc.option(textOf(fields.reason, 300)),
  percent: between({ least: 0, most: 120 }),
  proposed: fc.option(between({ least: 0, most: 1e9 })),
  note: textOf(fields.note, 2000),
  words: textOf(fields.questionWords, bounds.questionWords),
  comment: textOf(fields.comment, bounds.comment),
  program: textOf(fields.program, 80),
  goal: textOf(fields.practiceName, 200),
  amount: between(bounds.practised),
  lates: fc.integer({ min: 0, max: 400 }),
  contact: textOf(fields.contactName, 120),
  relation: textOf(fields.relation, 60),
})

/** The example's year with all that is written in it replaced. */
export const randomYear: fc.Arbitrary<{ rows: FolderRows; year: FolderYear }> = written.map((made) => {
  const renamed = (names: readonly string[], from: readonly string[]) => {
    const called = new Map(from.map((name, at) => [name, names[at] ?? name]))
    return (name: string): string => called.get(name) ?? name
  }
  const was = rows()
  const number = renamed(made.numbers, ['1', '2', '3'])
  const room = renamed(made.rooms, ['5 Ash', '5 Elm'])
  const person = renamed(made.people, ['ada', 'bea'])
  const term = renamed(made.terms, ['Autumn', 'Spring'])
  const inYear = <Row extends { number: string; term: string }>(row: Row): Row => ({
    ...{ ...row, number: number(row.number), term: term(row.term) },
  })
  const score = made.outOf / 3
  return {
    year: { ...year, terms: year.terms.map((each) => ({ ...each, name: term(each.name) })) },
    rows: {
      people: was.people.map((row) => ({ ...row, signIn: person(row.signIn), given: made.given, family: made.family })),
      students: was.students.map((row) => ({
        ...{ ...row, number: number(row.number), given: made.given, family: made.family, pronouns: made.pronouns },
      })),
      contacts: was.contacts.map((row, at) => ({
        ...{ ...row, number: number(row.number), name: at === 0 ? made.contact : row.name, relation: made.relation },
      })),
      classes: was.classes.map((row) => ({ ...row, name: room(row.name) })),
      enrolments: was.enrolments.map((row) => ({
        ...{ ...row, room: room(row.room), number: number(row.number), grade: made.grade },
      })),
      teaching: was.teaching.map((row) => ({ ...row, room: room(row.room), person: person(row.person) })),
      categories: was.categories.map((row) => ({
        ...{ ...row, room: room(row.room), name: made.category, weight: made.weight, isExam: made.isExam },
      })),
      work: was.work.map((row, at) => ({
        ...{ ...row, room: room(row.room), term: term(row.term), title: made.titles[at] ?? row.title },
        ...{ outOf: made.outOf, weight: made.weight, date: made.day },
      })),
      results: was.results.map((row) => ({
        ...{ ...row, number: number(row.number), remark: made.remark, score: row.score === null ? null : score },
      })),
      marks: was.marks.map((row) => ({
        ...{ ...inYear(row), reason: made.reason, proposed: made.proposed },
        percent: row.percent === null ? null : made.percent,
      })),
      levels: was.levels.map(inYear),
      habitScores: was.habitScores.map(inYear),
      attendance: was.attendance.map((row) => ({ ...inYear(row), lates: made.lates })),
      notes: was.notes.map((row) => ({ ...inYear(row), text: made.note, by: made.people[1] ?? null })),
      questions: was.questions.map((row) => ({ ...row, words: made.words, outOf: made.outOf })),
      answers: was.answers.map((row) => ({ ...row, number: number(row.number), score })),
      choices: was.choices.map((row) => ({ ...row, number: number(row.number) })),
      practice: was.practice.map((row, at) => ({
        ...{ ...inYear(row), program: made.program },
        ...(at === 1 && { name: made.goal, amount: made.amount, beside: made.amount }),
      })),
      register: was.register.map((row) => ({ ...row, number: number(row.number) })),
      photos: was.photos.map((row) => ({ ...row, number: number(row.number) })),
      comments: was.comments.map((row) => ({ ...inYear(row), text: made.comment, sentences: [] })),
      accepted: was.accepted.map((row) => ({ ...inYear(row), by: person(row.by) })),
    },
  }
})
