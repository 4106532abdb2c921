import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import type { ClassRecord } from '../record/classRecord'
import { indexRecord } from '../record/recordIndex'
import { nextStage, studentProgress, sumProgress, type StudentProgress } from './progress'

const progress = (change: Partial<ClassRecord>, subjects = ['sums'], made = false): StudentProgress =>
  studentProgress(indexRecord(exampleClass(change)), '1', subjects, made)
const comment = (text: string, status: 'in draft' | 'finished') => ({
  ...(exampleClass().comments[0] as ClassRecord['comments'][number]),
  text,
  status,
})

describe('what counts as done', () => {
  it('a draft is written and not yet read; an empty box is neither', () => {
    const draft = progress({ comments: [comment('Maya adds.', 'in draft')] })
    expect([draft.write.done, draft.read.done]).toEqual([1, 0])
    const finished = progress({ comments: [comment('Maya adds.', 'finished')] })
    expect([finished.write.done, finished.read.done]).toEqual([1, 1])
    const empty = progress({ comments: [comment('', 'finished')] })
    expect([empty.write.done, empty.read.done]).toEqual([0, 0])
  })
  it('only the subjects in view count, with the general comment and the habits', () => {
    expect(progress({}, [])).toEqual({
      gather: { done: 0, of: 0 },
      settle: { done: 1, of: 1 },
      write: { done: 0, of: 1 },
      read: { done: 0, of: 1 },
      send: { done: 0, of: 1 },
    })
  })
  it('is counted by hand: results, marks, levels and habits of the one, and both boxes', () => {
    // Two results of two; a mark, three levels and a habit of five; a comment in one of two boxes, finished.
    expect(progress({})).toEqual({
      gather: { done: 2, of: 2 },
      settle: { done: 5, of: 5 },
      write: { done: 1, of: 2 },
      read: { done: 1, of: 2 },
      send: { done: 0, of: 1 },
    })
    const { marks, levels, results } = exampleClass()
    const others = progress({ marks: [], levels: levels.slice(1), habitScores: [], results: results.slice(1) })
    expect([others.gather, others.settle]).toEqual([
      { done: 1, of: 2 },
      { done: 2, of: 5 },
    ])
    expect(progress({ marks }, ['sums', 'art']).settle.of).toBe(6)
  })
  it('of many is the sum of each, stage by stage', () => {
    const made = sumProgress([progress({}), progress({}, ['sums'], true), progress({ comments: [] })])
    expect(made).toEqual({
      gather: { done: 6, of: 6 },
      settle: { done: 15, of: 15 },
      write: { done: 2, of: 6 },
      read: { done: 2, of: 6 },
      send: { done: 1, of: 3 },
    })
  })
  it('of a group no report is made: that is the home classes’', () => {
    const classRoom = { ...exampleClass().classRoom, group: 'sums' }
    expect(progress({ classRoom }, ['sums'], true).send).toEqual({ done: 0, of: 0 })
  })
  it('a report that was made is sent', () => {
    expect([progress({}).send.done, progress({}, ['sums'], true).send.done]).toEqual([0, 1])
  })
})

describe('where to go on', () => {
  const counts = (done: Partial<Record<keyof StudentProgress, number>>): StudentProgress => ({
    gather: { done: done.gather ?? 0, of: 10 },
    settle: { done: done.settle ?? 0, of: 10 },
    write: { done: done.write ?? 0, of: 10 },
    read: { done: done.read ?? 0, of: 10 },
    send: { done: done.send ?? 0, of: 10 },
  })
  it.each([
    ['nothing is there', {}, 'gather'],
    ['results are in', { gather: 4 }, 'settle'],
    ['a class without a gradebook has begun', { settle: 1 }, 'settle'],
    ['late results are missing', { gather: 4, settle: 10 }, 'write'],
    ['all is written', { gather: 4, settle: 10, write: 10 }, 'read'],
    ['all is done', { gather: 4, settle: 10, write: 10, read: 10, send: 10 }, 'send'],
  ] as const)('when %s: %s', (_what, done, stage) => {
    expect(nextStage(counts(done))).toBe(stage)
  })
})
