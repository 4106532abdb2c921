import { unzipSync } from 'fflate'
import { demoDay } from '../demo/demoDay'
import type { Who } from '../server/access/grants'
import { openDatabase } from '../server/data/database'
import { migrate } from '../server/data/migrate'
import { addPerson } from '../server/data/setUpSchool'
import { takeFolder } from '../server/services/schoolFolder'
import { slowestHealth, timesOf } from './benchTimes'

/**
 * What it takes to have a school's year out as a folder, and into an empty database.
 * @param take gives the folder's bytes, from the server
 * @param url of the empty database
 */
export async function folderTimes(take: () => Promise<Buffer>, address: string, url: string): Promise<string[]> {
  let bytes = new Uint8Array()
  let out = 0
  const health = await slowestHealth(address, async () => {
    const [took = 0] = await timesOf(1, async () => {
      bytes = new Uint8Array(await take())
    })
    out = took
  })
  const db = openDatabase(url)
  try {
    await migrate(db)
    const first = {
      sign_in: 'first',
      password_hash: 'x',
      given_name: 'A',
      family_name: 'B',
      role: 'coordinator',
    } as const
    await addPerson(db, first)
    const person = await db('person').first('id')
    const [into = 0] = await timesOf(1, async () => {
      const who: Who = { personId: person?.id ?? '', role: 'coordinator', grades: null, teaching: [] }
      const { problems } = await takeFolder({ db, today: demoDay, years: [], who }, { bytes, take: true })
      if (problems.length > 0) throw new Error(`The folder did not come in again: ${problems.join(' ')}`)
    })
    const unpacked = Object.values(unzipSync(bytes)).reduce((sum, file) => sum + file.length, 0)
    const megabytes = (size: number): string => (size / 1024 / 1024).toFixed(1)
    return [
      `  a whole year out as a folder       ${out.toFixed(0)} ms (${megabytes(bytes.length)} MB, ${megabytes(unpacked)} unpacked)`,
      `  … health meanwhile                 at most ${health.toFixed(0)} ms`,
      `  … and into an empty database       ${into.toFixed(0)} ms`,
    ]
  } finally {
    await db.destroy()
  }
}
