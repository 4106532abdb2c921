import { setImmediate } from 'node:timers/promises'
import type {
  OwnSetupAnswer,
  SchoolAndReport,
  SchoolToWrite,
  SetupChange,
  SetupKind,
  SetupUses,
} from '../../contracts/ownSetup'
import { assertNever } from '../../core/assertNever'
import { phraseProblem } from '../../core/exchange/folder/phrasebookFile'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import { countUses, loadSetupRows } from '../data/ownSetup'
import { phraseColumns } from '../data/schoolSetup'
import { save, setupOf, type Context } from './context'

/** A year's set-up as its coordinator changes it. */
export async function viewOwnSetup(context: Context, yearId: string): Promise<OwnSetupAnswer> {
  allow(changesSchool(context.who), 'change the school’s set-up')
  const rows = await loadSetupRows(context.db, yearId)
  if (!rows) throw new Refusal('not found', 'There is no such school year.')
  return { ...rows, uses: await countUses(context.db, yearId, rows) }
}

/**
 * Changes rows of a year's set-up. What would not fit together is refused with what is wrong, and so is taking away
 * what something rests on: that is retired.
 */
export async function writeOwnSetup(
  context: Context,
  yearId: string,
  changes: readonly SetupChange[],
): Promise<number | null> {
  const standing = await viewOwnSetup(context, yearId)
  for (const change of changes) requireUnused(change, standing.uses)
  const subjects = subjectsAfter(standing.subjects, changes)
  const problems: string[] = []
  for (const [nth, change] of changes.entries()) {
    // A set-up may bring twenty thousand phrases, each of which is read: others are served between.
    if (nth % atOnce === atOnce - 1) await setImmediate()
    problems.push(...phraseProblems(change, subjects))
  }
  if (problems.length > 0) throw new Refusal('invalid', `${problems.slice(0, 3).join(' ')} Nothing was changed.`)
  const [first, ...more] = changes
  const kind = first && more.length === 0 ? kindOf(first) : 'changed the set-up'
  const action = { classId: null, termId: null, kind, needs: ['school' as const] }
  requireEachOnce(changes)
  return (
    await save(
      context,
      action,
      changes.map((change) => changeOf(change, yearId)),
    )
  ).event
}

/** Changes the school's name, place and rules, and how its reports are arranged; the checks are changed elsewhere. */
export async function writeSchool(
  context: Context,
  yearId: string,
  { school, was }: SchoolToWrite,
): Promise<number | null> {
  allow(changesSchool(context.who), 'change the school’s set-up')
  const { checks } = (await setupOf(context, yearId)).school
  const own = ({ layout: _layout, ...settings }: SchoolAndReport): Row => ({ settings: { ...settings, checks } })
  const changes: Change[] = [
    { table: 'school', key: { year_id: yearId }, seen: own(was), after: own(school) },
    {
      table: 'layout',
      key: { year_id: yearId, key: was.layout.key },
      seen: { definition: was.layout },
      after: { definition: { ...school.layout, key: was.layout.key } },
    },
  ]
  const action = { classId: null, termId: null, kind: 'changed the school and its report', needs: ['school' as const] }
  return (await save(context, action, changes)).event
}

/** So many phrases are read at once, some ms. */
const atOnce = 200

function requireEachOnce(changes: readonly SetupChange[]): void {
  const places = new Set(changes.map((change) => `${change.kind} ${keyOf(change)}`))
  if (places.size < changes.length) throw new Refusal('invalid', 'The same thing stands twice in this change.')
}

const tables = {
  subject: 'subject',
  skill: 'skill',
  habit: 'habit',
  box: 'comment_box',
  scale: 'scale',
  phrase: 'phrase',
} as const satisfies Record<SetupKind, Change['table']>

const words: Record<SetupKind, string> = {
  subject: 'a subject',
  skill: 'a skill',
  habit: 'a habit',
  box: 'a comment box',
  scale: 'a scale',
  phrase: 'a phrase',
}

function kindOf({ kind, row, was }: SetupChange): string {
  return `${was === null ? 'added' : row === null ? 'took away' : 'changed'} ${words[kind]}`
}

function keyOf({ kind, row, was }: SetupChange): string {
  const one = row ?? was
  if (!one) throw new Refusal('invalid', `Nothing is said of ${words[kind]}.`)
  return 'id' in one ? one.id : one.key
}

function changeOf(change: SetupChange, yearId: string): Change {
  const column = change.kind === 'skill' || change.kind === 'phrase' ? 'id' : 'key'
  return {
    table: tables[change.kind],
    key: { year_id: yearId, [column]: keyOf(change) },
    ...columnsOf(change),
  }
}

/** A change's rows as the columns of its table, apart from the key. */
function columnsOf(change: SetupChange): { seen: Row | null; after: Row | null } {
  switch (change.kind) {
    case 'subject':
      return both(change, ({ key: _key, inSentence, ...row }) => ({
        name: row.name,
        in_sentence: inSentence,
        mark_scale: row.markScale,
        mark_scale_by_grade: row.markScaleByGrade,
        skill_scale: row.skillScale,
        skill_scale_by_grade: row.skillScaleByGrade,
        strand_names: row.strandNames,
        taken_by: row.takenBy,
        position: row.position,
        retired: row.retired,
      }))
    case 'skill':
      return both(change, ({ id: _id, familyWords, inSentence, teacherOnly, grades, ...same }) => ({
        ...same,
        family_words: familyWords,
        in_sentence: inSentence,
        teacher_only: teacherOnly,
        grade_from: grades?.from ?? null,
        grade_to: grades?.to ?? null,
      }))
    case 'habit':
      return both(change, ({ key: _key, familyWords, ...same }) => ({ ...same, family_words: familyWords }))
    case 'box':
      return both(change, ({ key: _key, limit, limitByGrade, ...same }) => ({
        ...same,
        character_limit: limit,
        limit_by_grade: limitByGrade,
      }))
    case 'scale':
      return both(change, (definition) => ({ definition }))
    case 'phrase':
      return both(change, ({ position, ...phrase }) => ({ ...phraseColumns({ ...phrase, owner: null }), position }))
    default:
      return assertNever(change)
  }
}

function both<T>(
  { row, was }: { row: T | null; was: T | null },
  columns: (row: T) => Row,
): ReturnType<typeof columnsOf> {
  return { seen: was && columns(was), after: row && columns(row) }
}

/** @throws Refusal where what shall go is rated, written in or used as a level */
function requireUnused(change: SetupChange, uses: SetupUses): void {
  const key = keyOf(change)
  if (change.kind === 'scale') {
    const counts = uses.scale[key] ?? {}
    const kept = new Set(change.row?.levels.map((level) => level.symbol))
    const lost = Object.entries(counts).find(([symbol, count]) => count > 0 && !kept.has(symbol))
    if (lost)
      throw new Refusal('invalid', `${ratings(lost[1])} level ${lost[0]}, so it has to stay. Nothing was changed.`)
    return
  }
  const count = change.kind === 'phrase' ? 0 : (uses[change.kind][key] ?? 0)
  if (change.row !== null || count === 0) return
  throw new Refusal(
    'invalid',
    `${ratings(count)} ${words[change.kind]} that would go. Retire it: what was recorded stays.`,
  )
}

function ratings(count: number): string {
  return count === 1 ? 'One entry rests on' : `${count.toLocaleString('en')} entries rest on`
}

/** What a phrase may be about when all changes are made. */
function subjectsAfter(subjects: OwnSetupAnswer['subjects'], changes: readonly SetupChange[]): ReadonlySet<string> {
  const known = new Set(['any', 'general', ...subjects.map(({ key }) => key)])
  for (const change of changes) {
    if (change.kind !== 'subject') continue
    if (change.row === null) known.delete(keyOf(change))
    else known.add(change.row.key)
  }
  return known
}

function phraseProblems({ kind, row }: SetupChange, subjects: ReadonlySet<string>): string[] {
  if (kind !== 'phrase' || row === null) return []
  const wrong = subjects.has(row.subject)
    ? phraseProblem({ ...row, owner: null })
    : `There is no subject “${row.subject}”.`
  return wrong === null ? [] : [`“${row.text}”: ${wrong}`]
}
