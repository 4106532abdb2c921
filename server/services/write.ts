import type { DraftsAnswer } from '../../contracts/answers'
import type { CommentToWrite, DraftsToMake } from '../../contracts/write'
import { draftClass } from '../../core/narrative/draftComment'
import type { Usage } from '../../core/narrative/choose'
import { countGraphemes } from '../../core/narrative/graphemes'
import type { CommentBox } from '../../core/narrative/plan'
import type { ClassRecord, StudentComment } from '../../core/record/classRecord'
import { draftRequest } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import { allow, mayChangeGeneral, mayChangeSubject } from '../access/access'
import { Refusal } from '../access/refusal'
import { recordChanges, type Change } from '../data/changes'
import { classTeaching } from '../data/people'
import type { Context, Place } from './context'
import { changeableRecord, requireStudent, save } from './settle'

/**
 * Saves one comment. Refused as a conflict, with the text that stands, when somebody (or another tab) has changed it
 * since the writer saw it. An empty text empties the box.
 */
export async function writeComment(context: Context, place: Place, comment: CommentToWrite): Promise<{ event: number | null; version: number }> {
  const record = await changeableRecord(context, place)
  const box = await changeableBox(context, place, record, comment.box)
  requireStudent(record, comment.studentId)
  if (countGraphemes(comment.text) > box.limit) {
    throw new Refusal('invalid', `The text has ${countGraphemes(comment.text)} characters; ${box.name} holds ${box.limit}.`)
  }
  const now = record.comments.find((each) => each.studentId === comment.studentId && each.box === comment.box)
  return context.db.transaction(async (trx) => {
    // The row is held from the comparison to the write, so that two tabs cannot both pass.
    const row = await trx('comment').where(toChange(place, { ...comment }).key).forUpdate().first<{ version: number; text: string } | undefined>()
    const standing = row?.version ?? 0
    if (standing !== comment.version && row?.text !== comment.text) {
      throw new Refusal('conflict', 'This comment has been changed elsewhere since you opened it. Nothing was overwritten.', { standing: now ? { ...now, ...row } : null })
    }
    const version = standing + 1
    const deed = { personId: context.who.personId, ...place, kind: `wrote ${box.name}` }
    return { event: await recordChanges(trx, deed, [toChange(place, { ...comment, version })]), version }
  })
}

/** Composes drafts for a box of the whole class and saves them as one event. Own words are never touched. */
export async function makeDrafts(context: Context, place: Place, { box: boxKey, where }: DraftsToMake): Promise<DraftsAnswer> {
  const record = await changeableRecord(context, place)
  const box = await changeableBox(context, place, record, boxKey)
  const index = indexRecord(record)
  const standing = record.students.map((student) => ({ student, now: index.commentOf(student.id, box.key) }))
  const open = standing.filter(({ now }) => !now || now.text === '' || (where === 'empty and drafts' && !now.ownWords && now.status === 'in draft'))
  const kept = standing.filter((each) => !open.includes(each)).flatMap(({ now }) => now ?? [])
  const drafts = draftClass(open.map(({ student }) => draftRequest(index, student, box)), record.phrasebook, usageOf(kept))
  const comments = open.flatMap(({ student, now }, at): StudentComment[] => {
    const draft = drafts[at]
    if (!draft || draft.text === '') return []
    return [{ studentId: student.id, box: box.key, text: draft.text, sentences: draft.sentences, ownWords: false, status: 'in draft', version: (now?.version ?? 0) + 1 }]
  })
  const written = new Set(comments.map((comment) => comment.studentId))
  const event = comments.length === 0 ? null : await save(context, place, `drafted ${comments.length} × ${box.name}`, comments.map((comment) => toChange(place, comment)))
  return { event, comments, withoutFacts: open.map(({ student }) => student.id).filter((id) => !written.has(id)) }
}

/** How often each phrase stands in texts already. */
function usageOf(comments: readonly StudentComment[]): Usage {
  const usage: Usage = new Map()
  for (const id of comments.flatMap((comment) => comment.sentences.flatMap((sentence) => sentence.phraseIds))) usage.set(id, (usage.get(id) ?? 0) + 1)
  return usage
}

async function changeableBox(context: Context, place: Place, record: ClassRecord, key: string): Promise<CommentBox> {
  const box = record.boxes.find((each) => each.key === key)
  if (!box) throw new Refusal('forbidden', 'You may not write in this box. Ask the coordinator if you think you should.')
  const room = await classTeaching(context.db, place.classId)
  allow(box.subject === null ? mayChangeGeneral(context.who, place.classId) : mayChangeSubject(context.who, room, box.subject), `write in ${box.name}`)
  return box
}

function toChange(place: Place, comment: StudentComment): Change {
  const { studentId, box, text, sentences, ownWords, status, version } = comment
  return {
    table: 'comment', key: { student_id: studentId, box, term_id: place.termId },
    after: { text, sentences, own_words: ownWords, status, version },
  }
}
