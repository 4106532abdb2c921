import type { Knex } from 'knex'
import type { GradebookMapping } from '../../core/exchange/gradebook/gradebookMapping'
import type { FileRow } from './tables'

/** Which gradebook a layout of columns belongs to, and what tells files of one make. */
export interface MappingPlace {
  classId: string
  subject: string
  headings: string
}

/** How a teacher corrected a file of this make before; undefined where none came yet. */
export async function rememberedMapping(
  db: Knex,
  { classId, ...rest }: MappingPlace,
): Promise<Partial<GradebookMapping> | undefined> {
  return (
    await db('remembered_mapping')
      .where({ class_id: classId, ...rest })
      .first()
  )?.mapping
}

export async function rememberMapping(
  trx: Knex.Transaction,
  { classId, ...rest }: MappingPlace,
  mapping: Partial<GradebookMapping>,
): Promise<void> {
  await trx('remembered_mapping')
    .insert({ class_id: classId, ...rest, mapping: JSON.stringify(mapping) })
    .onConflict(['class_id', 'subject', 'headings'])
    .merge()
}

/** Keeps a file as it was brought. @returns its id */
export async function keepFile(
  db: Knex,
  file: Pick<FileRow, 'person_id' | 'class_id' | 'term_id' | 'subject' | 'name' | 'bytes'>,
): Promise<string> {
  const [kept] = await db('gradebook_file').insert(file).returning('id')
  if (!kept) throw new Error('The database kept no file.')
  return kept.id
}

export async function loadFile(db: Knex, fileId: string): Promise<FileRow | undefined> {
  return db('gradebook_file').where({ id: fileId }).first()
}

/** Notes in which event a file came in. */
export async function fileCameIn(trx: Knex.Transaction, fileId: string, eventId: number | null): Promise<void> {
  await trx('gradebook_file').where({ id: fileId }).update({ event_id: eventId })
}
