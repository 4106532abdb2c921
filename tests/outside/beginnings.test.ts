import { readdirSync, readFileSync } from 'node:fs'
import { Dialect, LocalLinter } from 'harper.js'
import { binary } from 'harper.js/binary'
import { describe, expect, it } from 'vitest'
import { readSetupFolder } from '../../core/exchange/folder/readSetupFolder'
import { draftComment } from '../../core/narrative/draftComment'
import { he, she, they } from '../../core/people/pronouns'
import { classRecordOf } from '../../core/record/classRecord'
import { draftRequest } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import type { Student } from '../../core/record/roster'
import { exampleClass } from '../exampleClass'

// What a school can begin from: usable at once, and all of its skills told. Grammar by harper.js (npm).
const beginning = (name: string) => {
  const folder = `beginnings/${name}`
  const files = readdirSync(folder).map((file) => [file, new Uint8Array(readFileSync(`${folder}/${file}`))] as const)
  const { setup, problems } = readSetupFolder(new Map(files))
  expect(problems).toEqual([])
  if (!setup) throw new Error('no set-up')
  return setup
}

const people = [
  ['Maya', she],
  ['Kit', they],
  ['Omar', he],
  ['Tamsin', 'name only'],
] as const

/** A class of four in which each has every skill and habit at one level, or skills at levels in turn. */
function comments(name: string, gradeLevel: string, rank: number | 'in turn') {
  const setup = beginning(name)
  const students = people.map(([usedName, pronouns], nth): Student => ({
    id: `${nth}`,
    schoolNumber: `${nth}`,
    legalGiven: usedName,
    usedName,
    family: 'Reed',
    pronouns,
    gradeLevel,
  }))
  const symbolOf = (key: string, nth: number): string => {
    const levels = setup.scales.find((scale) => scale.key === key)?.levels ?? []
    return levels[rank === 'in turn' ? nth % levels.length : Math.min(rank, levels.length - 1)]?.symbol ?? ''
  }
  const each = <T extends { about: string; symbol: string }>(items: T[]) =>
    students.flatMap(({ id: studentId }) => items.map((item) => ({ studentId, ...item })))
  const scaleOf = (subject: string): string => setup.subjects.find((one) => one.key === subject)?.skillScale ?? ''
  const record = classRecordOf(setup, {
    ...exampleClass(),
    ...setup,
    students,
    comments: [],
    levels: each(setup.skills.map(({ id, subject }, nth) => ({ about: id, symbol: symbolOf(scaleOf(subject), nth) }))),
    habitScores: each(setup.habits.map(({ key, scale }, nth) => ({ about: key, symbol: symbolOf(scale, nth) }))),
    earlier: [],
  })
  const index = indexRecord(record)
  return record.boxes.flatMap((box) =>
    students.map((student) => ({
      box,
      draft: draftComment(draftRequest(index, student, box), record.phrasebook),
      skills: record.skills.filter((skill) => skill.subject === box.subject),
    })),
  )
}

describe.each([
  ['primary', '2'],
  ['primary', '5'],
  ['middle', '7'],
])('the beginning “%s” in grade %s', (name, grade) => {
  it.each([0, 1, 2, 3, 4, 'in turn'] as const)('tells every skill and habit at level %s', (rank) => {
    for (const { box, draft, skills } of comments(name, grade, rank)) {
      const missing = draft.leftOut.filter(({ why }) => why !== 'it does not apply')
      expect({ box: box.key, text: draft.text, missing }).toEqual({ box: box.key, text: draft.text, missing: [] })
      const told = new Set(draft.sentences.flatMap((sentence) => sentence.parts))
      const untold = skills.filter(({ id, teacherOnly }) => !teacherOnly && !told.has(`skill ${id}`))
      expect(untold, draft.text).toEqual([])
      expect(draft.text).not.toMatch(/[{}#]/)
    }
  })

  it('writes what a grammar checker has nothing to say of', async () => {
    const linter = new LocalLinter({ binary, dialect: Dialect.British })
    const texts = ([0, 1, 2, 3, 4, 'in turn'] as const).flatMap((rank) =>
      comments(name, grade, rank).map(({ draft }) => draft.text),
    )
    for (const text of texts) {
      const remarks = (await linter.lint(text)).filter(
        (lint) => !/Spelling|Style|Readability|WordChoice|Enhancement/.test(lint.lint_kind()),
      )
      const words = remarks.map((lint) => `${lint.get_problem_text()}: ${lint.message()}`)
      expect({ text, words }).toEqual({ text, words: [] })
    }
  })
})

it('no skill of a grade is another grade’s', () => {
  const skills = (grade: string) => comments('primary', grade, 0).flatMap((each) => each.skills.map(({ id }) => id))
  expect(skills('2')).toContain('M2')
  expect(skills('5')).not.toContain('M2')
})
