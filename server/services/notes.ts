import type { NoteKept, NoteToWrite } from '../../contracts/notes'
import { noteProblem } from '../../core/record/noteProblem'
import type { Term } from '../../core/record/term'
import { scaleOfLevel } from '../../core/school/scaleOfLevel'
import { allow, type Grants } from '../access/grants'
import { Refusal } from '../access/refusal'
import { noteAt, noteRow, noteShown } from '../data/notes'
import { worksAt } from '../data/works'
import type { Change, Row } from '../data/changes/changeableTables'
import { openPlace, save, setupOf, type Context, type Opened, type Place } from './context'

/**
 * Keeps a note, changes it or takes it away. Who teaches in the class writes notes and changes the own ones; one of
 * which nobody is known to be the writer is the home teacher's.
 */
export async function writeNote(
  context: Context,
  place: Place,
  { id, studentId, note, was }: NoteToWrite,
): Promise<number | null> {
  const { grants, term } = await openPlace(context, place, [studentId])
  allow(grants.takesNotes, 'write notes in this class')
  const standing = await noteAt(context.db, id)
  const own = standing === undefined || standing.writtenBy === context.who.personId
  const nobodys = standing?.writtenBy === null && grants.changes('general')
  const here = standing === undefined || (standing.studentId === studentId && standing.termId === place.termId)
  if (!here || !(own || nobodys)) throw new Refusal('not found', 'There is no such note of yours.')
  if (note) await refuseWrong(context, place, { note, grants, term })
  const writer = standing ? standing.writtenBy : context.who.personId
  const fixed = { student_id: studentId, term_id: place.termId, written_by: writer }
  const kind = was === null ? 'wrote a note' : note ? 'changed a note' : 'took a note away'
  const change = {
    table: 'observation' as const,
    key: { id },
    seen: was && noteRow(was),
    after: note && { ...fixed, ...noteRow(note) },
  }
  const show = (row: Row | null): Row | null => row && noteShown(row)
  return (await save(context, { ...place, kind, needs: ['notes'] }, [change], { show })).event
}

/** Notes that are new, as changes. @throws Refusal */
export async function newNotes(
  context: Context,
  place: Place,
  { grants, term }: Opened,
  notes: readonly { id: string; studentId: string; note: NoteKept }[],
): Promise<Change[]> {
  if (notes.length > 0) allow(grants.takesNotes, 'write notes in this class')
  return Promise.all(
    notes.map(async ({ id, studentId, note }): Promise<Change> => {
      await refuseWrong(context, place, { note, grants, term })
      const fixed = { student_id: studentId, term_id: place.termId, written_by: context.who.personId }
      return { table: 'observation', key: { id }, seen: null, after: { ...fixed, ...noteRow(note) } }
    }),
  )
}

/** @throws Refusal where a note cannot be, or is about nothing that the writer may read */
async function refuseWrong(
  context: Context,
  place: Place,
  { note, grants, term }: { note: NoteKept; grants: Grants; term: Term },
): Promise<void> {
  const problem = noteProblem(note, term, context.today)
  if (problem !== null) throw new Refusal('invalid', problem)
  const setup = await setupOf(context, term.yearId)
  const { skills, habits } = setup
  if (note.symbol !== null) {
    const { scale } = scaleOfLevel(setup, note)
    const levels = scale?.levels.map(({ symbol }) => symbol) ?? []
    if (!levels.includes(note.symbol))
      throw new Refusal('invalid', `“${note.symbol}” is no level here. The levels are ${levels.join(', ')}.`)
  }
  if (note.kind === null) return
  const found = {
    skill: () => skills.some(({ id, subject }) => id === note.about && grants.readsSubject(subject)),
    habit: () => habits.some(({ key }) => key === note.about),
    work: async () => {
      const works = await worksAt(context.db, place, [note.about])
      return works.some(({ subject }) => grants.readsSubject(subject))
    },
  }[note.kind]
  const what = note.kind === 'work' ? 'piece of work' : note.kind
  if (!(await found())) throw new Refusal('not found', `There is no such ${what}.`)
}
