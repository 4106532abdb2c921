import { randomUUID } from 'node:crypto'
import type { DemoPlace } from './school'

type Ask = [what: string, ask: () => [string, string, object?], expected: Record<string, number>]

const finn = (place: DemoPlace): string => place.student('Finn').id

/** What is asked about results, work, notes and what others change, with what each of the demo's people is answered. */
export function resultAsks(place: () => DemoPlace): Ask[] {
  return [
    [
      'follow the class',
      () => ['GET', `${place().path}/live`],
      { nobody: 401, marek: 403, tobias: 200, philippa: 200, ines: 200 },
    ],
    [
      'see the own steps',
      () => ['GET', `${place().path}/steps`],
      { nobody: 401, marek: 403, tobias: 200, philippa: 200, ines: 200 },
    ],
    [
      'see the history of a mark in art',
      () => ['GET', `${place().path}/history?of=mark&about=art&student=${finn(place())}`],
      { nobody: 401, marek: 403, tobias: 403, philippa: 200, ines: 200 },
    ],
    [
      'give a result in mathematics',
      () => {
        const { work, results } = place().answer.record
        const { id } = work.find((each) => each.subject === 'mathematics') ?? { id: '' }
        const stands = results.find((each) => each.workId === id && each.studentId === finn(place()))
        const was = stands ? { state: stands.state, score: stands.score, remark: stands.remark } : null
        return [
          'PUT',
          `${place().path}/results`,
          { results: [{ workId: id, studentId: finn(place()), result: was, was }] },
        ]
      },
      { nobody: 401, marek: 403, tobias: 404, philippa: 403, ines: 200 },
    ],
    [
      'add a piece of work in music',
      () => [
        'PUT',
        `${place().path}/work`,
        {
          id: randomUUID(),
          subject: 'music',
          work: {
            ...{ title: `Song ${randomUUID()}`, category: 'Songs', date: null },
            ...{ outOf: 10, weight: 1, counts: false },
          },
          was: null,
        },
      ],
      { nobody: 401, marek: 403, tobias: 200, philippa: 403, ines: 403 },
    ],
    [
      'write a note',
      () => [
        'PUT',
        `${place().path}/note`,
        {
          ...{ id: randomUUID(), studentId: finn(place()), was: null },
          note: { date: '2026-11-20', kind: null, about: '', text: 'Counted the swans.', mayTell: false },
        },
      ],
      { nobody: 401, marek: 403, tobias: 200, philippa: 403, ines: 200 },
    ],
    [
      'answer a question in mathematics',
      () => {
        const { id } = place().answer.record.work.find((each) => each.subject === 'mathematics') ?? { id: '' }
        const answers = [{ workId: id, number: 1, studentId: finn(place()), score: null, was: null }]
        return ['PUT', `${place().path}/answers`, { answers }]
      },
      { nobody: 401, marek: 403, tobias: 404, philippa: 403, ines: 200 },
    ],
    [
      'keep the questions of work in mathematics',
      () => {
        const { id } = place().answer.record.work.find((each) => each.subject === 'mathematics') ?? { id: '' }
        return ['PUT', `${place().path}/questions`, { workId: id, questions: [], was: [] }]
      },
      { nobody: 401, marek: 403, tobias: 404, philippa: 403, ines: 200 },
    ],
    [
      'see what is signed off',
      () => ['GET', `${place().path}/sign-offs`],
      { nobody: 401, marek: 403, tobias: 200, philippa: 200, ines: 200 },
    ],
    [
      'take back a sign-off of mathematics that is not there',
      () => ['PUT', `${place().path}/sign-off`, { subject: 'mathematics', signed: null, was: null }],
      { nobody: 401, marek: 403, tobias: 403, philippa: 403, ines: 200 },
    ],
    [
      'say that a child takes mathematics, as it does',
      () => [
        'PUT',
        `${place().path}/takers`,
        { subject: 'mathematics', choices: [{ studentId: place().student('Finn').id, takes: true, was: true }] },
      ],
      { nobody: 401, marek: 403, tobias: 403, philippa: 200, ines: 200 },
    ],
    [
      'look at the register',
      () => ['GET', `${place().path}/register`],
      { nobody: 401, marek: 403, tobias: 200, philippa: 200, ines: 200 },
    ],
    [
      'keep a day of the register as it is',
      () => {
        const days = [{ studentId: finn(place()), day: '2026-11-19', presence: null, was: null }]
        return ['PUT', `${place().path}/register`, { days }]
      },
      { nobody: 401, marek: 403, tobias: 403, philippa: 403, ines: 200 },
    ],
    [
      'keep no photo of a child',
      () => ['PUT', `${place().path}/photos`, { photos: [{ studentId: finn(place()), jpeg: null, was: null }] }],
      { nobody: 401, marek: 403, tobias: 403, philippa: 403, ines: 200 },
    ],
    [
      'look at a photo that is not there',
      () => ['GET', `${place().path}/photos/${finn(place())}`],
      { nobody: 401, marek: 403, tobias: 404, philippa: 404, ines: 404 },
    ],
    [
      'print a list to write into',
      () => [
        'POST',
        `${place().path}/tables`,
        { title: '', columns: [], landscape: false, rowHeight: 8, names: 'given first' },
      ],
      { nobody: 401, marek: 403, tobias: 200, philippa: 200, ines: 200 },
    ],
    [
      'list the children of the own classes',
      () => ['GET', `/api/terms/${place().answer.record.term.id}/children`],
      { nobody: 401, marek: 200, tobias: 200, philippa: 200, ines: 200 },
    ],
    [
      'keep a child’s attendance as it is',
      () => {
        const found = place().answer.record.attendance.find(({ studentId }) => studentId === finn(place()))
        const days = found && { daysOpen: found.daysOpen, absences: found.absences, lates: found.lates }
        return [
          'PUT',
          `${place().path}/cells`,
          { attendance: [{ studentId: finn(place()), days: days ?? null, was: days ?? null }] },
        ]
      },
      { nobody: 401, marek: 403, tobias: 403, philippa: 403, ines: 200 },
    ],
  ]
}
