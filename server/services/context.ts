import type { Knex } from 'knex'
import type { Who } from '../access/access'

/** What every service works with: who asks, on which database, on which day (ISO date). */
export interface Context {
  db: Knex
  who: Who
  today: string
}

/** The class and term that something is about. */
export interface Place {
  classId: string
  termId: string
}
