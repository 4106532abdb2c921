import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import type { SetupAnswer } from '../contracts/answers'
import type { ClassesAnswer } from '../contracts/classes'
import type { YearToFollow } from '../contracts/setUp'
import { readSetupFolder } from '../core/exchange/folder/readSetupFolder'
import { writeSetupFolder } from '../core/exchange/folder/writeSetupFolder'
import { nextName, nextYear } from '../core/terms/nextYear'
import { timesOf } from './benchTimes'

type Ask = (method: string, path: string, body?: object) => Promise<Buffer>

/**
 * What it takes to make a new year from one with all its classes, and a school folder out and in.
 * @returns lines to print, and the new year's id
 */
export async function yearTimes(
  ask: Ask,
  yearId: string,
  unpack: (answer: Buffer) => Buffer,
): Promise<{ lines: string[]; made: string }> {
  const get = async <T>(path: string): Promise<T> => {
    const answer = await ask('GET', path)
    return JSON.parse((answer[0] === 0x7b ? answer : unpack(answer)).toString()) as T
  }
  const { year, terms } = await get<ClassesAnswer>(`/api/years/${yearId}/classes`)
  const { classes } = await get<YearToFollow>(`/api/years/${yearId}/next`)
  const next = nextYear(year, terms)
  const wanted = {
    from: yearId,
    year: { ...next.year, terms: next.terms },
    classes: classes.map(({ id, name, students }) => ({
      from: id,
      name: nextName(name),
      students: students.map((student) => student.id),
    })),
  }
  let made = ''
  const [making = 0] = await timesOf(1, async () => {
    made = (JSON.parse((await ask('POST', '/api/years', wanted)).toString()) as { year: string }).year
  })
  const { setup } = await get<SetupAnswer>(`/api/years/${yearId}/setup`)
  const [folder = 0] = await timesOf(1, () => {
    const files = [...writeSetupFolder(setup)].map(([name, text]) => [name, strToU8(text)] as const)
    const back = Object.entries(unzipSync(zipSync(Object.fromEntries(files))))
    const { problems } = readSetupFolder(new Map(back.map(([name, bytes]) => [name, strToU8(strFromU8(bytes))])))
    if (problems.length > 0) throw new Error('The folder did not come in again.')
    return Promise.resolve()
  })
  return {
    lines: [
      `  a new year of ${classes.length} classes made      ${making.toFixed(0)} ms`,
      `  its set-up out and in again        ${folder.toFixed(0)} ms`,
    ],
    made,
  }
}
