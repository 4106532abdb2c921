import type { ClassAnswer, DeskAnswer } from '../../contracts/answers'
import type { Student } from '../../core/record/classRecord'
import type { Client } from './client'

export interface DemoPlace {
  path: string
  lastTermPath: string
  answer: ClassAnswer
  student: (usedName: string, family?: string) => Student
}

/** The demo's 5 Juniper in the term of today, as this person sees it. */
export async function juniper(ask: Client, className = '5 Juniper'): Promise<DemoPlace> {
  const desk = (await ask<DeskAnswer>('GET', '/api/desk')).body
  const room = desk.classes.find((each) => each.name === className)
  const path = `/api/classes/${room?.id}/${desk.term.id}`
  const answer = (await ask<ClassAnswer>('GET', path)).body
  return {
    path,
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
