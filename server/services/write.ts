import type { DraftsAnswer } from '../../contracts/answers'
import type { CommentToWrite, DraftsToMake, FindingToAccept } from '../../contracts/write'
import { draftClass } from '../../core/narrative/draftComment'
import { usageOfComments } from '../../core/record/usageOfComments'
import { countGraphemes } from '../../core/narrative/graphemes'
import type { CommentBox } from '../../core/narrative/plan'
import type { StudentComment } from '../../core/record/classRecord'
import { draftRequest } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import { isRedraftable } from '../../core/record/redraftable'
import { allow, allowOpenTerm, mayChangeGeneral, mayChangeSubject, mayReadClass } from '../access/access'
import { Refusal } from '../access/refusal'
import { recordChanges, type Change } from '../data/changes'
import { loadTerm, toComment, type CommentRow } from '../data/loadClassRecord'
import { classTeaching } from '../data/people'
import type { Context, Place } from './context'
import { changeableRecord, save } from './settle'

/**
 * Saves one comment. Refused as a conflict, with the text that stands, when somebody (or another tab) has changed it
 * since the writer saw it. An empty text empties the box.
 */
export async function writeComment(
  context: Context,
  place: Place,
  comment: CommentToWrite,
): Promise<{ event: number | null; version: number }> {
  const box = await openBox(context, place, comment.box)
  await requireEnrolled(context, place, comment.studentId)
  if (countGraphemes(comment.text) > box.limit) {
    throw new Refusal(
      'invalid',
      `The text has ${countGraphemes(comment.text)} characters; ${box.name} holds ${box.limit}.`,
    )
  }
  return context.db.transaction(async (trx) => {
    // The row is held from the comparison to the write, so that two tabs cannot both pass.
    const standing = await trx<CommentRow>('comment').where(toChange(place, comment).key).forUpdate().first()
    const now = standing?.version ?? 0
    if (now !== comment.version && standing?.text !== comment.text) {
      throw new Refusal(
        'conflict',
        'This comment has been changed elsewhere since you opened it. Nothing was overwritten.',
        { standing: standing ? toComment(standing) : null },
      )
    }
    const version = now + 1
    const deed = { personId: context.who.personId, ...place, kind: `wrote ${box.name}` }
    return { event: await recordChanges(trx, deed, [toChange(place, { ...comment, version })]), version }
  })
}

/** Remembers, or no longer, that what a check found in a comment is right as it is. */
export async function acceptFinding(
  context: Context,
  place: Place,
  { studentId, box: boxKey, check, words, right }: FindingToAccept,
): Promise<number | null> {
  const box = await openBox(context, place, boxKey)
  await requireEnrolled(context, place, studentId)
  const key = { student_id: studentId, box: boxKey, term_id: place.termId, check_name: check, words }
  return save(
    context,
    place,
    `${right ? 'said that a finding is right' : 'took back that a finding is right'} in ${box.name}`,
    [{ table: 'accepted_finding', key, after: right ? { person_id: context.who.personId } : null }],
  )
}

/** Composes drafts for a box of the whole class and saves them as one event. Own words are never touched. */
export async function makeDrafts(
  context: Context,
  place: Place,
  { box: boxKey, where, students }: DraftsToMake,
): Promise<DraftsAnswer> {
  await openBox(context, place, boxKey)
  const record = await changeableRecord(context, place)
  const index = indexRecord(record)
  const box = record.boxes.find((each) => each.key === boxKey)
  if (!box) throw new Refusal('not found', 'There is no such box.')
  const wanted = students && new Set(students)
  const standing = record.students.map((student) => ({ student, now: index.commentOf(student.id, box.key) }))
  const open = standing.filter(
    ({ student, now }) =>
      (!wanted || wanted.has(student.id)) &&
      (!now || now.text === '' || (where === 'empty and drafts' && isRedraftable(now))),
  )
  const kept = standing.filter((each) => !open.includes(each)).flatMap(({ now }) => now ?? [])
  const drafts = draftClass(
    open.map(({ student }) => draftRequest(index, student, box)),
    record.phrasebook,
    usageOfComments(kept),
  )
  const comments = open.flatMap(({ student, now }, at): StudentComment[] => {
    const draft = drafts[at]
    if (!draft || draft.text === '' || draft.text === now?.text) return []
    return [
      {
        studentId: student.id,
        box: box.key,
        text: draft.text,
        sentences: draft.sentences,
        ownWords: false,
        status: 'in draft',
        version: (now?.version ?? 0) + 1,
      },
    ]
  })
  const written = new Set(open.filter((_, at) => drafts[at]?.text).map(({ student }) => student.id))
  const event =
    comments.length === 0
      ? null
      : await save(
          context,
          place,
          `drafted ${comments.length} × ${box.name}`,
          comments.map((comment) => toChange(place, comment)),
        )
  return { event, comments, withoutFacts: open.map(({ student }) => student.id).filter((id) => !written.has(id)) }
}

/** A box that this person may write in, in a term that is open. @throws Refusal */
async function openBox(
  context: Context,
  place: Place,
  key: string,
): Promise<Pick<CommentBox, 'name' | 'limit' | 'subject'>> {
  allow(mayReadClass(context.who, place.classId), 'see this class')
  allowOpenTerm(await loadTerm(context.db, place.termId), context.today)
  const row = await context
    .db<{ key: string; name: string; subject: string | null; character_limit: number }>('comment_box')
    .where({ key })
    .first()
  if (!row)
    throw new Refusal('forbidden', 'You may not write in this box. Ask the coordinator if you think you should.')
  const room = await classTeaching(context.db, place.classId)
  allow(
    row.subject === null
      ? mayChangeGeneral(context.who, place.classId)
      : mayChangeSubject(context.who, room, row.subject),
    `write in ${row.name}`,
  )
  return { name: row.name, limit: row.character_limit, subject: row.subject }
}

/** @throws Refusal when the student is not in the class */
async function requireEnrolled({ db }: Context, { classId }: Place, studentId: string): Promise<void> {
  if (!(await db('enrolment').where({ class_id: classId, student_id: studentId }).first()))
    throw new Refusal('not found', 'This student is not in the class.')
}

function toChange(place: Place, comment: StudentComment): Change {
  const { studentId, box, text, sentences, ownWords, status, version } = comment
  return {
    table: 'comment',
    key: { student_id: studentId, box, term_id: place.termId },
    after: { text, sentences, own_words: ownWords, status, version },
  }
}
