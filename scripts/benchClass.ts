import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { readClassFolder, withProposalsTaken } from '../core/exchange/folder/readClassFolder'
import type { Draft } from '../core/narrative/because'
import { draftClass } from '../core/narrative/draftClass'
import type { ClassRecord } from '../core/record/classRecord'
import { draftRequest } from '../core/record/narrativeFacts'
import { indexRecord } from '../core/record/recordIndex'

/** As npm runs it, from the project's own folder. */
const folder = 'demo/batch'

/** Every comment of a class, box by box. */
export function draftAll(record: ClassRecord): Draft[][] {
  const index = indexRecord(record)
  return record.boxes.map((box) =>
    draftClass(record.students, (student) => draftRequest(index, student, box), record.phrasebook),
  )
}

/** The demo class with its students copied until there are so many. */
export function grown(students: number): ClassRecord {
  if (!existsSync(folder)) throw new Error('The demo folder is not there.')
  const { record } = readClassFolder(
    new Map(readdirSync(folder).map((name) => [name, new Uint8Array(readFileSync(join(folder, name)))])),
  )
  if (!record) throw new Error('The demo folder cannot be read.')
  const whole = withProposalsTaken(record)
  const copies = Array.from({ length: students }, (_, at) => ({
    from: whole.students[at % whole.students.length]?.id ?? '',
    to: `s${at}`,
  }))
  const copy = <T extends { studentId: string }>(rows: readonly T[]): T[] =>
    copies.flatMap(({ from, to }) =>
      rows.filter((row) => row.studentId === from).map((row) => ({ ...row, studentId: to })),
    )
  return {
    ...whole,
    students: copies.flatMap(({ from, to }) =>
      whole.students
        .filter((student) => student.id === from)
        .map((student) => ({ ...student, id: to, schoolNumber: to })),
    ),
    results: copy(whole.results),
    marks: copy(whole.marks),
    levels: copy(whole.levels),
    habitScores: copy(whole.habitScores),
    attendance: copy(whole.attendance),
  }
}
