import type { LevelToSettle, MarkToSettle } from '../../contracts/settle'
import { mostSettled, rulesOfSubject } from '../../core/marks/markRules'
import { scaleOfLevel } from '../../core/school/scaleOfLevel'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import type { Scale } from '../../core/scales/scale'
import { keptSymbol, readSymbol } from '../../core/scales/symbol'
import { allow, needFor, type Grants, type Need } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { openPlace, save, setupIn, setupOf, type Context, type Place } from './context'

/** Settles marks, or takes them back. The computed mark is never stored, so it can never be erased. */
export async function settleMarks(
  context: Context,
  place: Place,
  marks: readonly MarkToSettle[],
): Promise<number | null> {
  const opened = await openPlace(
    context,
    place,
    marks.map((each) => each.studentId),
  )
  const setup = await setupOf(context, opened.term.yearId)
  const { changes, needs } = markChanges({ ...opened, setup }, place, marks)
  const kind = `settled ${marks.length === 1 ? 'a mark' : `${marks.length} marks`}`
  return (await save(context, { ...place, kind, needs }, changes)).event
}

/** Settles skill levels and habit scores, or empties them. A symbol must be one of the scale or a special value's. */
export async function settleLevels(
  context: Context,
  place: Place,
  levels: readonly LevelToSettle[],
): Promise<number | null> {
  const opened = await openPlace(
    context,
    place,
    levels.map((each) => each.studentId),
  )
  const setup = await setupIn(context, opened)
  const { changes, needs } = levelChanges({ ...opened, setup }, place, levels)
  const kind = `rated ${levels.length === 1 ? 'one cell' : `${levels.length} cells`}`
  const options = { show: (row: Row | null) => (row ? levelShown(row) : null) }
  return (await save(context, { ...place, kind, needs }, changes, options)).event
}

/** How a level's row stands, for its writer. */
export function levelShown({ symbol = null }: Row): Row {
  return { symbol }
}

interface Settling {
  readonly setup: SchoolSetup
  readonly grants: Grants
}
interface ToSettle {
  readonly changes: Change[]
  readonly needs: Need[]
}

/** What settling marks would change, and takes. @throws Refusal */
export function markChanges({ setup, grants }: Settling, { termId }: Place, marks: readonly MarkToSettle[]): ToSettle {
  const subjects = [...new Set(marks.map((each) => each.subject))]
  const known = new Set(setup.subjects.map((subject) => subject.key))
  for (const subject of subjects) {
    allow(known.has(subject) && grants.changes(needFor(subject)), `settle marks in ${subject}`)
  }
  for (const { subject, mark } of marks) {
    const most = mostSettled(rulesOfSubject(setup.school.markRules, subject))
    if ((mark?.percent ?? 0) > most) throw new Refusal('invalid', `A mark is not above ${most} %. Nothing was changed.`)
  }
  const changes = marks.map(({ studentId, subject, mark, was }): Change => ({
    table: 'settled_mark',
    key: { student_id: studentId, subject, term_id: termId },
    seen: was,
    after: mark && { ...mark, proposed: mark.proposed ?? null },
  }))
  return { changes, needs: subjects.map(needFor) }
}

/** What settling levels would change, and takes. @throws Refusal */
export function levelChanges(
  { setup, grants }: Settling,
  { termId }: Place,
  levels: readonly LevelToSettle[],
): ToSettle {
  const needs = new Set<Need>()
  const changes = levels.map((level): Change => {
    const { scale, need } = placeOfLevel(setup, grants, level)
    needs.add(need)
    const { kind, about, studentId, symbol, proposed, was } = level
    return {
      table: 'settled_level',
      key: { student_id: studentId, kind, about, term_id: termId },
      seen: was === null ? null : { symbol: readable(scale, was) },
      after: symbol === null ? null : { symbol: symbolOf(scale, symbol), proposed: proposed ?? null },
    }
  })
  return { changes, needs: [...needs] }
}

/** The scale that a level is on, and what changing it takes. @throws Refusal */
function placeOfLevel(
  setup: SchoolSetup,
  grants: Grants,
  level: LevelToSettle,
): { scale: Scale | undefined; need: Need } {
  const { scale, subject: key } = scaleOfLevel(setup, level)
  if (level.kind === 'habit') {
    if (!setup.habits.some((each) => each.key === level.about))
      throw new Refusal('not found', 'There is no such habit.')
    allow(grants.changes('general'), 'score habits in this class')
    return { scale, need: 'general' }
  }
  const subject = setup.subjects.find((each) => each.key === key)
  const mayKnow = subject !== undefined && grants.readsSubject(subject.key)
  allow(mayKnow && grants.changes(needFor(subject.key)), mayKnow ? `rate skills in ${subject.name}` : 'rate this skill')
  return { scale, need: needFor(key) }
}

/** A symbol that was seen, as it would be kept; one that is no longer of the scale stands as it is. */
function readable(scale: Scale | undefined, symbol: string): string {
  const meaning = readSymbol(scale, symbol)
  return meaning ? keptSymbol(meaning) : symbol
}

function symbolOf(scale: Scale | undefined, typed: string): string {
  const meaning = readSymbol(scale, typed)
  if (meaning) return keptSymbol(meaning)
  const levels = scale?.levels.map((level) => level.symbol).join(', ') ?? 'not set'
  throw new Refusal('invalid', `“${typed}” is no level here. The levels are ${levels}.`)
}
