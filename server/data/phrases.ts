import type { Knex } from 'knex'
import type { StudentComment } from '../../core/record/termRecord'
import type { BoxRow, EventRow, PersonRow } from './tables'

/** The last place among a year's phrases. */
export async function lastPhrasePosition(db: Knex, yearId: string): Promise<number> {
  const last = await db('phrase').where({ year_id: yearId }).orderBy('position', 'desc').first('position')
  return last?.position ?? 0
}

/** Whose some phrases are and where they stand, by id. */
export async function phrasesNow(
  db: Knex,
  yearId: string,
  ids: readonly string[],
): Promise<Map<string, { owner: string | null; position: number }>> {
  const rows = await db('phrase')
    .where({ year_id: yearId })
    .whereIn('id', [...ids])
    .select('id', 'owner', 'position')
  return new Map(rows.map((row) => [row.id, row]))
}

/** Whether a tier has describing words in a year. */
export async function hasDescribingWords(db: Knex, yearId: string, tier: string): Promise<boolean> {
  return (await db('describing_words').where({ year_id: yearId, tier }).first()) !== undefined
}

/** A comment box as its row. */
export async function boxRow(db: Knex, yearId: string, key: string): Promise<BoxRow | undefined> {
  return db('comment_box').where({ year_id: yearId, key }).first()
}

/** An event in a phrase's history, with who made it. */
export type PhraseEventRow = Pick<EventRow, 'id' | 'at' | 'changes' | 'undone_by' | 'person_id'> &
  Pick<PersonRow, 'given_name' | 'family_name'>

/** The last changes of a phrase, newest first. */
export async function phraseEvents(db: Knex, yearId: string, id: string): Promise<PhraseEventRow[]> {
  return db('event')
    .join('person', 'person.id', 'event.person_id')
    .whereNull('event.class_id')
    .whereRaw('event.changes @> ?::jsonb', [JSON.stringify([{ table: 'phrase', key: { year_id: yearId, id } }])])
    .orderBy('event.id', 'desc')
    .limit(50)
    .select<PhraseEventRow[]>('event.id', 'at', 'changes', 'undone_by', 'person_id', 'given_name', 'family_name')
}

/** A text in which a phrase is said, with where. */
export interface PhraseUseRow extends Pick<StudentComment, 'ownWords' | 'status'> {
  studentId: string
  box: string
  classId: string
  className: string
  /** The one subject of a group; null for a home class. */
  group: string | null
  subject: string | null
  grades: string[]
}

/** The texts of a term in which a phrase is said, in the classes where the children are today. */
export async function phraseUseRows(
  db: Knex,
  { id, termId, today }: { id: string; termId: string; today: string },
): Promise<PhraseUseRow[]> {
  return db('comment')
    .join('enrolment', 'enrolment.student_id', 'comment.student_id')
    .join('class_room', 'class_room.id', 'enrolment.class_id')
    .join('comment_box', (on) =>
      on.on('comment_box.key', 'comment.box').andOn('comment_box.year_id', 'class_room.year_id'),
    )
    .join('term', (on) => on.on('term.id', 'comment.term_id').andOn('term.year_id', 'class_room.year_id'))
    .where('comment.term_id', termId)
    .whereRaw('comment.student_id in (select student_id from members_of(class_room.id, term.id, ?))', [today])
    .whereRaw('comment.sentences @> ?::jsonb', [JSON.stringify([{ phraseIds: [id] }])])
    .orderByRaw('class_room.subject nulls first, class_room.name')
    .select<PhraseUseRow[]>(
      'comment.student_id as studentId',
      'comment.box',
      'class_room.id as classId',
      'class_room.subject as group',
      'class_room.name as className',
      'comment_box.subject',
      'comment.own_words as ownWords',
      'comment.status',
      db.raw('array(select distinct grade_level from enrolment where class_id = class_room.id) as grades') as never,
    )
}
