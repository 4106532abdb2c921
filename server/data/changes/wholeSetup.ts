import type { Knex } from 'knex'
import { setupProblems } from '../../../core/record/setupProblems'
import { Refusal } from '../../access/refusal'
import { loadSetupRows } from '../ownSetup'
import { ruleOf, type Change, type ChangeableTable } from './changeableTables'

/** What has to fit together: phrases, words and layouts are each judged by themselves. */
const fitting: readonly ChangeableTable[] = ['scale', 'subject', 'skill', 'habit', 'comment_box']

/** What does not fit together in each set-up that is held; null where nothing is changed that has to fit. */
type HeldSetups = ReadonlyMap<string, ReadonlySet<string> | null>

/**
 * Holds the set-ups that changes are about until the transaction ends, so that one at a time is changed, and says what
 * does not fit together in them as they stand.
 */
export async function holdSetups(trx: Knex.Transaction, changes: readonly Change[]): Promise<HeldSetups> {
  const years = yearsOf(changes, ({ table }) => ruleOf(table).setup === true)
  const asked = yearsOf(changes, ({ table }) => fitting.includes(table))
  const held = new Map<string, ReadonlySet<string> | null>()
  for (const year of [...years].sort()) {
    await trx('setup_version').where({ year_id: year }).forUpdate().first('year_id')
    held.set(year, asked.has(year) ? new Set(await problemsOf(trx, year)) : null)
  }
  return held
}

/**
 * Whoever changes a set-up, by whatever way, leaves it fitting together: what another changed since it was looked at
 * counts, and so does an undo.
 * @throws Refusal with what is wrong now and was not before
 */
export async function requireSetupsFit(trx: Knex.Transaction, before: HeldSetups): Promise<void> {
  for (const [year, known] of before) {
    if (known === null) continue
    const problems = (await problemsOf(trx, year)).filter((problem) => !known.has(problem))
    if (problems.length > 0) throw new Refusal('invalid', `${problems.slice(0, 3).join(' ')} Nothing was changed.`)
  }
}

function yearsOf(changes: readonly Change[], which: (change: Change) => boolean): ReadonlySet<string> {
  return new Set(changes.filter(which).map(({ key }) => String(key.year_id)))
}

async function problemsOf(trx: Knex.Transaction, year: string): Promise<string[]> {
  const rows = await loadSetupRows(trx, year)
  return rows ? setupProblems(rows) : []
}
