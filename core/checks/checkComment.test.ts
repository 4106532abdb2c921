import { describe, expect, it } from 'vitest'
import { she } from '../people/pronouns'
import type { ClassRecord, Student, StudentComment } from '../record/classRecord'
import { indexRecord } from '../record/recordIndex'
import { checkComment } from './checkComment'

const student = (id: string, usedName: string): Student => ({ id, schoolNumber: id, legalGiven: usedName, usedName, family: 'X', pronouns: she, gradeLevel: '5' })
const students = [student('1', 'Maya'), student('2', 'Will'), student('3', 'Ana')]
const box = { key: 'general', name: 'General comment', subject: null, limit: 60, plan: [] }
const comment = (studentId: string, text: string): StudentComment => ({ studentId, box: 'general', text, sentences: [], ownWords: true, status: 'in draft', version: 1 })

function found(text: string, others: StudentComment[] = []): string[] {
  const own = comment('1', text)
  const record = { students, boxes: [box], comments: [own, ...others], subjects: [], skills: [], habits: [], scales: [], work: [], results: [], marks: [], levels: [], habitScores: [], attendance: [], categories: [], observations: [] } as unknown as ClassRecord
  return checkComment({ index: indexRecord(record), student: students[0] as Student, box, comment: own }).map((finding) => finding.check)
}

describe('the checks', () => {
  it.each([
    ['Maya has had a good term.', []], ['', ['empty']], ['Maya [add more] reads well.', ['blank left']], ['Maya and Ana read well.', ['another name']],
    ['Maya reads. Will she write? Yes.', []], ['Maya often helps Will.', ['another name']], ['She reads well.', ['name missing']],
    [`Maya ${'reads '.repeat(12)}`, ['too long']],
  ])('in “%s” find %j', (text, checks) => {
    expect(found(text)).toEqual(checks)
  })
  it('find the same text, names aside, for two students', () => {
    expect(found('Maya reads well.', [comment('3', 'Ana reads well.')])).toEqual(['same text'])
  })
})
