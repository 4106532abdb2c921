import type { Knex } from 'knex'
import { createHash } from 'node:crypto'
import sharp from 'sharp'

interface Picture {
  jpeg: string
  fingerprint: string
}

/**
 * Photos from before they were decoded and encoded anew hold what their files held beside the picture: words of the
 * camera, where it was taken, a second picture. They are made anew as a new one is (server/reading/cleanPhoto.ts), in
 * the events that can be undone too; the same photo comes out the same, so that undoing goes on. What nothing can
 * decode shows no child, and goes.
 */
export async function up(knex: Knex): Promise<void> {
  const known = new Map<string, Picture | null>()
  for (const { student_id: id } of await knex('photo').select('student_id')) {
    const photo = await knex('photo').where({ student_id: id }).first()
    const made = photo ? await madeAnew(photo.jpeg, known) : null
    if (made) await knex('photo').where({ student_id: id }).update(made)
    else await knex('photo').where({ student_id: id }).delete()
  }
  for (const { id } of await knex('event').whereRaw(`changes @> '[{"table": "photo"}]'`).select('id')) {
    const changes = ((await knex('event').where({ id }).first('changes'))?.changes ?? []) as PhotoChange[]
    for (const change of changes) {
      if (change.table !== 'photo') continue
      change.before = await rowAnew(change.before, known)
      change.after = await rowAnew(change.after, known)
    }
    await knex('event')
      .where({ id })
      .update({ changes: JSON.stringify(changes) as never })
  }
}

interface PhotoChange {
  table: string
  before?: Picture | null
  after?: Picture | null
}

async function rowAnew(row: Picture | null | undefined, known: Map<string, Picture | null>): Promise<Picture | null> {
  return row ? madeAnew(row.jpeg, known) : null
}

async function madeAnew(jpeg: string, known: Map<string, Picture | null>): Promise<Picture | null> {
  const key = createHash('sha256').update(jpeg).digest('hex')
  const before = known.get(key)
  if (before !== undefined) return before
  const bytes = await sharp(Buffer.from(jpeg, 'base64'), { limitInputPixels: 2000 * 2000 })
    .autoOrient()
    .jpeg({ quality: 88, mozjpeg: false })
    .toBuffer()
    .catch(() => null)
  const text = bytes?.toString('base64')
  const made =
    text === undefined
      ? null
      : { jpeg: text, fingerprint: createHash('sha256').update(text).digest('hex').slice(0, 16) }
  known.set(key, made)
  return made
}
