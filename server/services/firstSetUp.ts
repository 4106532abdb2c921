import type { Knex } from 'knex'
import type { SchoolToSetUp, SetUpAnswer } from '../../contracts/setUp'
import type { Folder } from '../../core/exchange/folder/folderReader'
import { readSetupFolder } from '../../core/exchange/folder/readSetupFolder'
import { problemText } from '../../core/exchange/files/problem'
import { Refusal } from '../access/refusal'
import { requireSetUpKey } from '../access/setUpKey'
import { signInKey } from '../access/signInKey'
import { demoMark, markOf } from '../data/databaseMark'
import { loadBeginning, loadBeginnings } from '../data/beginnings'
import { hashPassword } from '../data/people'
import { passwordRefused } from './passwords'
import { hasYear, holdYears } from '../data/newYears'
import { addPerson, addTerm, addYear, carryTermWeights } from '../data/setUpSchool'

/** Whether there is no school yet, and what one can begin from. */
export async function viewSetUp(db: Knex): Promise<SetUpAnswer> {
  const needed = !(await hasYear(db))
  return { needed, demo: (await markOf(db)) === demoMark, beginnings: needed ? await loadBeginnings() : [] }
}

/**
 * Sets up a school where there is none: its year with the terms, a beginning to change, and the first coordinator, who
 * can sign in at once. Whole or not at all; of two who try at once, one has it.
 * @param address of who asks
 * @throws Refusal
 */
export async function setUpSchool(db: Knex, wanted: SchoolToSetUp, address: string): Promise<void> {
  requireSetUpKey(wanted.key)
  const { beginning } = wanted
  const files = typeof beginning === 'string' ? await loadBeginning(beginning) : folderOf(beginning)
  const { setup, problems } = readSetupFolder(files)
  if (!setup) {
    const more = problems.length > 5 ? ` And ${problems.length - 5} more.` : ''
    const wrong = problems.slice(0, 5).map(problemText).join(' ')
    throw new Refusal(
      'invalid',
      files.size === 0 ? 'Choose what to begin from.' : `${wrong}${more} Nothing was set up.`,
    )
  }
  const { coordinator, name, place, year } = wanted
  const { given, family, signIn } = coordinator
  passwordRefused(wanted.password, [given, family, signIn, name])
  const password = await hashPassword(wanted.password, address)
  await db.transaction(async (trx) => {
    await holdYears(trx)
    if (await hasYear(trx)) {
      throw new Refusal(
        'conflict',
        'This school has been set up already. Sign in, or ask its coordinator to take you in.',
      )
    }
    const yearId = await addYear(trx, year, { ...setup, school: { ...setup.school, name, place } })
    const terms = new Map<string, string>()
    for (const term of year.terms) terms.set(term.name, await addTerm(trx, { ...term, yearId }))
    await carryTermWeights(trx, yearId, terms)
    await addPerson(trx, {
      sign_in: signInKey(signIn),
      password_hash: password,
      given_name: given,
      family_name: family,
      role: 'coordinator',
    })
  })
}

function folderOf(files: Readonly<Record<string, string>>): Folder {
  return new Map(Object.entries(files).map(([name, text]) => [name, new TextEncoder().encode(text)]))
}
