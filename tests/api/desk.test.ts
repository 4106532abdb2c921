import { expect, it } from 'vitest'
import type { DeskAnswer, TaughtClass } from '../../contracts/answers'
import { indexRecord } from '../../core/record/recordIndex'
import { studentProgress, sumProgress } from '../../core/terms/progress'
import { signedInAs } from './client'
import { see } from './school'

// The database counts what core/terms/progress.ts counts: the two are held together here, for everybody and class.
it.each(['ines', 'tobias', 'philippa', 'marek'])('the desk of %s counts as the stages do', async (name) => {
  const ask = await signedInAs(name)
  const desk = (await ask<DeskAnswer>('GET', '/api/desk')).body
  expect(desk.classes.length).toBeGreaterThan(0)
  for (const room of desk.classes) {
    const path = `/api/classes/${room.id}/${desk.term.id}`
    const { record, may } = await see(ask, path)
    const runs = (await ask<{ state: string; pages: Record<string, number> | null }[]>('GET', `${path}/runs`)).body
    const made = new Set(runs.filter((run) => run.state === 'finished').flatMap((run) => Object.keys(run.pages ?? {})))
    const index = indexRecord(record)
    const subjects = record.subjects.map((subject) => subject.key)
    const counted = sumProgress(record.students.map(({ id }) => studentProgress(index, id, subjects, made.has(id))))
    // Who makes no reports is not told which runs there were, so what was sent is the desk's own to count.
    expect(room.counts).toEqual(may.reports ? counted : { ...counted, send: room.counts.send })
    expect(room.students).toBe(record.students.length)
  }
})

it.each(['ines', 'tobias', 'philippa'])('the one list of %s counts each child as the stages do', async (name) => {
  const ask = await signedInAs(name)
  const desk = (await ask<DeskAnswer>('GET', '/api/desk')).body
  const classes = (await ask<TaughtClass[]>('GET', `/api/terms/${desk.term.id}/children`)).body
  // A coordinator sees all classes and teaches none of them.
  expect(classes.length > 0).toBe(name !== 'philippa')
  for (const { id, children } of classes) {
    const { record } = await see(ask, `/api/classes/${id}/${desk.term.id}`)
    expect(children.map((child) => child.id)).toEqual(record.students.map((student) => student.id))
    const index = indexRecord(record)
    const subjects = record.subjects.map((subject) => subject.key)
    for (const child of children) {
      const { send: _, ...expected } = studentProgress(index, child.id, subjects, false)
      const { send, ...counted } = child.progress
      expect(counted).toEqual(expected)
      expect(send.done).toBeLessThanOrEqual(send.of)
    }
  }
})
