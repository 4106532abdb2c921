import type { PhotoToKeep } from '../../contracts/evidence'
import { allow, grantsIn, type Grants } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { fingerprintOf, loadPhoto, photosOf } from '../data/photos'
import { loadPlace } from '../data/places'
import { cleanPhoto } from '../reading/cleanPhoto'
import { areSeen, save, type Context, type Place } from './context'

/** A child's photo, for whoever sees the class. */
export async function readPhoto(context: Context, place: Place, studentId: string): Promise<Buffer> {
  await grantsAt(context, place, [studentId])
  const photo = await loadPhoto(context.db, studentId)
  if (!photo) throw new Refusal('not found', 'There is no photo of this child.')
  return photo
}

/** Keeps photos, or takes them away: one step back. They belong to the child and lock with no term. */
export async function keepPhotos(
  context: Context,
  place: Place,
  photos: readonly PhotoToKeep[],
): Promise<number | null> {
  const ids = photos.map(({ studentId }) => studentId)
  const grants = await grantsAt(context, place, ids)
  allow(grants.changes('general'), 'keep photos of this class')
  const standing = await photosOf(context.db, ids)
  const clean = await Promise.all(photos.map(({ jpeg }) => jpeg && cleanPhoto(jpeg)))
  const changes = photos.map(({ studentId, was }, nth): Change => {
    const jpeg = clean[nth] ?? null
    const before = standing.get(studentId)
    return {
      table: 'photo',
      key: { student_id: studentId },
      // A writer has seen the photo, not its letters: what tells it apart is enough.
      seen: was === null ? null : before?.fingerprint === was ? { ...before } : { fingerprint: was },
      after: jpeg === null ? null : { jpeg, fingerprint: fingerprintOf(jpeg) },
    }
  })
  const kind = photos.length === 1 ? 'changed a photo' : `changed ${photos.length} photos`
  const show = (row: Row | null): Row | null => row && { fingerprint: row.fingerprint ?? null }
  return (await save(context, { ...place, kind, needs: ['general'] }, changes, { show })).event
}

async function grantsAt({ db, who }: Context, place: Place, studentIds: string[]): Promise<Grants> {
  const { room, enrolled } = await loadPlace(db, { ...place, studentIds })
  const grants = grantsIn(who, room)
  allow(grants.readsClass, 'see this class')
  if (!areSeen(studentIds, enrolled, grants)) throw new Refusal('not found', 'This student is not in the class.')
  return grants
}
