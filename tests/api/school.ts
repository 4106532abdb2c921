import type { ClassAnswer, DeskAnswer, SetupAnswer } from '../../contracts/answers'
import type { OwnSetupAnswer, SetupChange } from '../../contracts/ownSetup'
import { classRecordOf, type ClassRecord } from '../../core/record/classRecord'
import { unpackTerm } from '../../core/record/packedTerm'
import type { Student } from '../../core/record/roster'
import { narrowSetup } from '../../core/record/narrowSetup'
import type { Client } from './client'

/** A class as somebody sees it: the set-up and the term's record as one, as the pages put them together. */
export type Seen = Pick<ClassAnswer, 'may' | 'today'> & { record: ClassRecord }

export async function see(ask: Client, path: string): Promise<Seen> {
  const { term, reads, may, today } = (await ask<ClassAnswer>('GET', path)).body
  const { setup } = (await ask<SetupAnswer>('GET', `/api/years/${term.term.yearId}/setup`)).body
  return {
    record: classRecordOf(
      narrowSetup(setup, (key) => reads.includes(key)),
      unpackTerm(term),
    ),
    may,
    today,
  }
}

export interface DemoPlace {
  path: string
  /** Where the school's own for this year stands. */
  yearPath: string
  lastTermPath: string
  answer: Seen
  student: (usedName: string, family?: string) => Student
}

/** What a change answers. */
export interface Done {
  event: number | null
  message: string
}

/** How a set-up is looked at and changed, as its coordinator does. */
export function setupOf(ask: Client, yearPath: () => string) {
  return {
    rows: async () => (await ask<OwnSetupAnswer>('GET', `${yearPath()}/setup/rows`)).body,
    write: (...changes: SetupChange[]) => ask<Done>('PUT', `${yearPath()}/setup/rows`, { changes }),
    undo: async (event: number | null) => {
      const { status } = await ask('POST', `/api/events/${event}/undo`)
      if (status !== 200) throw new Error(`${event} was not undone: ${status}`)
    },
  }
}

/** The demo's 5 Juniper in the term of today, as this person sees it. */
export async function juniper(ask: Client, className = '5 Juniper'): Promise<DemoPlace> {
  const desk = (await ask<DeskAnswer>('GET', '/api/desk')).body
  const room = desk.classes.find((each) => each.name === className)
  const path = `/api/classes/${room?.id}/${desk.term.id}`
  const answer = await see(ask, path)
  return {
    path,
    yearPath: `/api/years/${desk.term.yearId}`,
    answer,
    lastTermPath: `/api/classes/${room?.id}/${desk.terms[0]?.id}`,
    student: (usedName, family) => {
      const found = answer.record.students.find(
        (each) => each.usedName === usedName && (family === undefined || each.family === family),
      )
      if (!found) throw new Error(`There is no ${usedName}.`)
      return found
    },
  }
}
