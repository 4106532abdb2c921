import type { DraftsAnswer } from '../../contracts/answers'
import type { CommentToWrite, DraftsToMake, FindingToAccept } from '../../contracts/write'
import { countGraphemes } from '../../core/narrative/graphemes'
import type { CommentBox } from '../../core/narrative/plan'
import type { ClassRecord } from '../../core/record/classRecord'
import type { StudentComment } from '../../core/record/termRecord'
import { draftBox, draftedComment, type DraftedBox } from '../../core/record/draftBox'
import { indexRecord } from '../../core/record/recordIndex'
import { isRedraftable } from '../../core/record/redraftable'
import { allow, needFor, type Need } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { commentOf, commentRow, type CommentRow } from '../data/termRecord'
import { openPlace, save, setupIn, type Context, type Place } from './context'
import { readableRecord } from './viewClass'

/**
 * Saves one comment. Refused as a conflict, with the text that stands, when somebody (or another tab) has changed it
 * since the writer saw it. An empty text empties the box.
 */
export async function writeComment(
  context: Context,
  place: Place,
  comment: CommentToWrite,
): Promise<{ event: number | null; version: number | null }> {
  const { box, need } = await openBox(context, place, comment.box, [comment.studentId])
  if (countGraphemes(comment.text) > box.limit) {
    throw new Refusal(
      'invalid',
      `The text has ${countGraphemes(comment.text)} characters; ${box.name} holds ${box.limit}.`,
    )
  }
  const { event, version } = await save(
    context,
    { ...place, kind: `wrote ${box.name}`, needs: [need] },
    [toChange(place, comment, comment.version)],
    { show: (row, change) => (row ? shownComment(row, change) : null) },
  )
  return { event, version }
}

/** Remembers, or no longer, that what a check found in a comment is right as it is. */
export async function acceptFinding(
  context: Context,
  place: Place,
  { studentId, box: boxKey, check, words, right }: FindingToAccept,
): Promise<number | null> {
  const { box, need } = await openBox(context, place, boxKey, [studentId])
  const key = { student_id: studentId, box: boxKey, term_id: place.termId, check_name: check, words }
  const kind = `${right ? 'said that a finding is right' : 'took back that a finding is right'} in ${box.name}`
  const change: Change = {
    table: 'accepted_finding',
    key,
    seen: right ? null : {},
    after: right ? { person_id: context.who.personId } : null,
  }
  return (await save(context, { ...place, kind, needs: [need] }, [change])).event
}

/**
 * Composes drafts for a box of the whole class and saves them as one event. Own words are never touched, also those
 * that are written while the drafts are composed: such a box is left as it is, and named.
 */
export async function makeDrafts(
  context: Context,
  place: Place,
  { box: boxKey, where, students }: DraftsToMake,
): Promise<DraftsAnswer> {
  const { need } = await openBox(context, place, boxKey, students ?? [])
  const record = await readableRecord(context, place)
  const box = record.boxes.find((each) => each.key === boxKey)
  if (!box) throw new Refusal('not found', 'There is no such box.')
  const open = composeDrafts(record, box, where, students && new Set(students))
  const comments = open.flatMap((each) =>
    each.draft.text === '' || each.draft.text === each.now?.text ? [] : [draftedComment(each, box)],
  )
  const versions = new Map(open.map(({ student, now }) => [student.id, now?.version ?? 0]))
  const { event, version, leftOut } = await save(
    context,
    { ...place, kind: `drafted ${comments.length} × ${box.name}`, needs: [need] },
    comments.map((comment) => toChange(place, comment, versions.get(comment.studentId) ?? 0)),
    { whenChanged: 'leave out' },
  )
  const left = new Set(leftOut.map((change) => String(change.key.student_id)))
  const made = comments.filter((comment) => !left.has(comment.studentId))
  return {
    event,
    version,
    comments: made.map((comment) => ({ ...comment, version: version ?? comment.version })),
    writtenMeanwhile: [...left],
    withoutFacts: open.filter(({ draft }) => draft.text === '').map(({ student }) => student.id),
  }
}

/** The drafts for the boxes that may be composed. */
function composeDrafts(
  record: ClassRecord,
  box: CommentBox,
  where: DraftsToMake['where'],
  wanted: ReadonlySet<string> | undefined,
): DraftedBox[] {
  return draftBox(
    indexRecord(record),
    box,
    ({ student, now }) =>
      (!wanted || wanted.has(student.id)) &&
      (!now || now.text === '' || (where === 'empty and drafts' && isRedraftable(now))),
  )
}

/** A box that this person may write in for these students, in a term that is open. @throws Refusal */
async function openBox(
  context: Context,
  place: Place,
  key: string,
  studentIds: readonly string[],
): Promise<{ box: CommentBox; need: Need }> {
  const opened = await openPlace(context, place, studentIds)
  const { grants } = opened
  const box = (await setupIn(context, opened)).boxes.find((each) => each.key === key)
  const mayKnow = box !== undefined && grants.sees('comment', box.subject)
  if (!mayKnow) {
    throw new Refusal('forbidden', 'You may not write in this box. Ask the coordinator if you think you should.')
  }
  const need = needFor(box.subject)
  allow(grants.changes(need), `write in ${box.name}`)
  return { box, need }
}

function toChange(place: Place, comment: StudentComment, seenVersion: number): Change {
  return {
    table: 'comment',
    key: { student_id: comment.studentId, box: comment.box, term_id: place.termId },
    seen: seenVersion === 0 ? null : { version: seenVersion },
    after: commentRow(comment, place.termId),
  }
}

function shownComment(row: Row, { key }: Change): StudentComment {
  const at = { studentId: String(key.student_id), box: String(key.box), termId: String(key.term_id), version: 0 }
  return commentOf(row as Row & CommentRow, at)
}
