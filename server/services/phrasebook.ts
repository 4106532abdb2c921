import type {
  ChecksToWrite,
  DescribingToWrite,
  PhraseChange,
  PhrasesToWrite,
  PhraseToWrite,
  PhraseUses,
  PlanToWrite,
} from '../../contracts/phrasebook'
import { phraseProblem } from '../../core/exchange/folder/phrasebookFile'
import type { Phrase } from '../../core/narrative/phrase'
import { readPlan, writePlan } from '../../core/narrative/plan'
import { displayName } from '../../core/people/names'
import { isRedraftable } from '../../core/record/redraftable'
import { allow, changesPhrase, changesSchool, grantsIn, type Need } from '../access/grants'
import { Refusal } from '../access/refusal'
import type { Change, Row } from '../data/changes/changeableTables'
import {
  boxRow,
  hasDescribingWords,
  lastPhrasePosition,
  phraseEvents,
  phrasesNow,
  phraseUseRows,
} from '../data/phrases'
import { phraseColumns } from '../data/schoolSetup'
import { save as saveChanges, setupOf, type Context } from './context'

/** Puts phrases in, changes and takes out, as one event: all of it or nothing. */
export async function writePhrases(
  context: Context,
  yearId: string,
  { phrases, removed }: PhrasesToWrite,
): Promise<number | null> {
  const ids = [...phrases.map((phrase) => phrase.id), ...removed.map((phrase) => phrase.id)]
  if (new Set(ids).size < ids.length) throw new Refusal('invalid', 'The same phrase stands here twice.')
  const standing = await phrasesNow(context.db, yearId, ids)
  const subjects = new Set([
    'any',
    'general',
    ...(await setupOf(context, yearId)).subjects.map((subject) => subject.key),
  ])
  const last = await lastPhrasePosition(context.db, yearId)
  const needs = new Set<Need>()
  const changes = phrases.map((phrase, nth): Change => {
    const now = standing.get(phrase.id)
    const made = checked(phrase, subjects, context)
    needs.add(allowPhrase(context, made.owner, now, 'change'))
    const position = now?.position ?? last + 1 + nth
    const after = { ...phraseColumns(made), position }
    return { table: 'phrase', key: { year_id: yearId, id: phrase.id }, seen: seenOf(phrase.was, made.owner), after }
  })
  const gone = removed.map(({ id, was }): Change => {
    const now = standing.get(id)
    if (!now) throw new Refusal('not found', `There is no phrase “${id}” any more.`)
    needs.add(allowPhrase(context, now.owner, now, 'take out'))
    return { table: 'phrase', key: { year_id: yearId, id }, seen: seenOf(was, now.owner), after: null }
  })
  const kind = `changed ${changes.length + gone.length} phrases`
  return save(context, kind, [...needs], [...changes, ...gone])
}

/** What the change of a phrase needs. @throws Refusal before anything of a colleague's phrase is looked at */
function allowPhrase(
  { who }: Context,
  owner: string | null,
  now: { owner: string | null } | undefined,
  doing: 'change' | 'take out',
): Need {
  const may = changesPhrase(who, owner) && (now === undefined || changesPhrase(who, now.owner))
  allow(may, owner === null ? `${doing} the school’s phrases` : `${doing} this phrase`)
  return owner === null ? 'school' : 'own'
}

function seenOf(was: PhraseToWrite['was'], owner: string | null): Row | null {
  return was && { ...phraseColumns({ ...was, id: '', owner }) }
}

function checked(
  { owner, was: _was, ...phrase }: PhraseToWrite,
  subjects: ReadonlySet<string>,
  context: Context,
): Phrase {
  if (!subjects.has(phrase.subject)) throw new Refusal('invalid', `There is no subject “${phrase.subject}”.`)
  const made: Phrase = { ...phrase, owner: owner === 'school' ? null : context.who.personId }
  const problem = phraseProblem(made)
  if (problem !== null) throw new Refusal('invalid', `“${phrase.text}”: ${problem}`)
  return made
}

/** The describing words of a tier, as the whole list shall be. */
export async function writeDescribing(
  context: Context,
  yearId: string,
  { tier, words, was }: DescribingToWrite,
): Promise<number | null> {
  allow(changesSchool(context.who), 'change the school’s describing words')
  if (new Set(words).size < words.length) throw new Refusal('invalid', 'The same word stands here twice.')
  const stands = await hasDescribingWords(context.db, yearId, tier)
  const seen = !stands && was.length === 0 ? null : { words: was }
  return save(
    context,
    `changed the describing words for ${tier}`,
    ['school'],
    [{ table: 'describing_words', key: { year_id: yearId, tier }, seen, after: { words } }],
  )
}

/** The plan of a box. Refused when it names what the school does not have. */
export async function writeBoxPlan(
  context: Context,
  yearId: string,
  key: string,
  { plan: written, was }: PlanToWrite,
): Promise<number | null> {
  allow(changesSchool(context.who), 'change the school’s plans')
  const row = await boxRow(context.db, yearId, key)
  if (!row) throw new Refusal('not found', 'There is no such box.')
  const plan = readable(written)
  const { year_id: _year, key: _key, ...columns } = row
  return save(
    context,
    `changed the plan of ${key}`,
    ['school'],
    [
      {
        table: 'comment_box',
        key: { year_id: yearId, key },
        seen: { ...columns, plan: writePlan(readable(was)) },
        after: { ...columns, plan: writePlan(plan) },
      },
    ],
  )
}

function readable(written: string): ReturnType<typeof readPlan> {
  try {
    return readPlan(written)
  } catch (error) {
    throw new Refusal('invalid', error instanceof Error ? error.message : String(error))
  }
}

/** What the school's checks look for. */
export async function writeChecks(
  context: Context,
  yearId: string,
  { checks, was }: ChecksToWrite,
): Promise<number | null> {
  allow(changesSchool(context.who), 'change what the checks look for')
  const { school: settings } = await setupOf(context, yearId)
  return save(
    context,
    'changed what the checks look for',
    ['school'],
    [
      {
        table: 'school',
        key: { year_id: yearId },
        seen: { settings: { ...settings, checks: was } },
        after: { settings: { ...settings, checks } },
      },
    ],
  )
}

/** How a phrase came to be what it is, newest first. */
export async function phraseHistory({ db, who }: Context, yearId: string, id: string): Promise<PhraseChange[]> {
  const rows = await phraseEvents(db, yearId, id)
  return rows.flatMap((row) => {
    const change = row.changes.find(
      (each) => each.table === 'phrase' && each.key.id === id && each.key.year_id === yearId,
    )
    if (!change || !('after' in change)) return []
    // A colleague's own phrase is nobody else's business.
    const owner = change.after?.owner ?? change.before?.owner ?? null
    if (owner !== null && owner !== who.personId) return []
    const textOf = (state: Row | null): string | null => (state === null ? null : String(state.text))
    return [
      {
        event: row.id,
        at: row.at.toISOString(),
        by: displayName({ given: row.given_name, family: row.family_name }),
        before: textOf(change.before),
        after: textOf(change.after),
        undoable: row.undone_by === null && row.person_id === who.personId,
      },
    ]
  })
}

/** Where a phrase is said this term, class by class, in the classes and boxes that the person may read. */
export async function phraseUses(context: Context, id: string, termId: string): Promise<PhraseUses[]> {
  const rows = await phraseUseRows(context.db, { id, termId, today: context.today })
  const uses = new Map<string, PhraseUses>()
  const counted = new Set<string>()
  for (const row of rows) {
    const grants = grantsIn(context.who, { ...row, specialistSubjects: [] })
    if (!grants.sees('comment', row.subject)) continue
    // A child who is in a home class and in a group is written about once.
    const text = `${row.studentId} ${row.box}`
    if (counted.has(text)) continue
    counted.add(text)
    const use = uses.get(row.classId) ?? { classId: row.classId, className: row.className, drafts: 0, staying: 0 }
    use[isRedraftable(row) ? 'drafts' : 'staying'] += 1
    uses.set(row.classId, use)
  }
  return [...uses.values()]
}

/** Makes changes to what belongs to the whole school, recorded as one event. */
async function save(
  context: Context,
  kind: string,
  needs: readonly Need[],
  changes: readonly Change[],
): Promise<number | null> {
  const show = (row: Row | null): object | null =>
    row && (row.owner ?? context.who.personId) === context.who.personId ? row : null
  return (await saveChanges(context, { classId: null, termId: null, kind, needs }, changes, { show })).event
}
