import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { readClassFolder, withProposalsTaken } from '../../core/exchange/folder/readClassFolder'
import { problemText } from '../../core/exchange/files/problem'
import type { ClassRecord } from '../../core/record/classRecord'

export const demoFolder = fileURLToPath(new URL('../../demo/batch', import.meta.url))

/** The demo's files as bytes. */
export function demoFiles(): Map<string, Uint8Array> {
  return new Map(readdirSync(demoFolder).map((name) => [name, new Uint8Array(readFileSync(`${demoFolder}/${name}`))]))
}

/** The demo class with every open proposal taken. */
export function demoClass(): ClassRecord {
  const { record, problems } = readClassFolder(demoFiles())
  if (!record) throw new Error(problems.map(problemText).join('\n'))
  return withProposalsTaken(record)
}
