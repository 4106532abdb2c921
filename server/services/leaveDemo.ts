import type { DemoToLeave } from '../../contracts/setUp'
import { allow, changesSchool } from '../access/grants'
import { Refusal } from '../access/refusal'
import { setUpKey } from '../access/setUpKey'
import { demoMark, markOf, ownMark, setMark } from '../data/databaseMark'
import { emptyDatabase } from '../data/emptyDatabase'
import { inTransaction } from '../data/transactions'
import { setupOf, thisYear, type Context } from './context'

/**
 * Throws the demo school away, so that a school of one's own can be set up in its place; only ever the demo, whole or
 * not at all, and by its coordinator, who types its name. There is no undo: npm run demo:reset is for another database.
 * @returns the key with which the new school is set up
 */
export async function leaveDemo(context: Context, { name }: DemoToLeave): Promise<string> {
  allow(changesSchool(context.who), 'throw the demo school away')
  const { school } = await setupOf(context, thisYear(context).id)
  if (name !== school.name) {
    throw new Refusal('invalid', `Type the name of the school, ${school.name}, to throw it away. Nothing was changed.`)
  }
  const key = setUpKey()
  await inTransaction(context.db, async (trx) => {
    if ((await markOf(trx)) !== demoMark) {
      throw new Refusal('invalid', 'This is no demo school, and is not thrown away. Nothing was changed.')
    }
    await emptyDatabase(trx)
    await setMark(trx, ownMark)
  })
  return key
}
