import type { Knex } from 'knex'
import type { ClientBase } from 'pg'
import { from as copyFrom, type CopyStreamQuery } from 'pg-copy-streams'

/** Opens PostgreSQL's way of taking very many rows, on the connection of a transaction. */
export async function openCopy(trx: Knex.Transaction, query: string): Promise<CopyStreamQuery> {
  const client = (await (trx.client as Knex.Client).acquireConnection()) as ClientBase
  return client.query(copyFrom(query))
}

/** Resolves when a chunk has gone, so that no more than one is in memory. */
export function copyChunk(stream: CopyStreamQuery, chunk: Uint8Array): Promise<void> {
  return new Promise<void>((resolve, reject) => {
    stream.write(chunk, (error) => (error ? reject(error) : resolve()))
  })
}

/** @throws whatever the database says of the rows */
export async function endCopy(stream: CopyStreamQuery): Promise<void> {
  const ended = new Promise<void>((resolve, reject) => stream.once('finish', resolve).once('error', reject))
  stream.end()
  await ended
}

/** A text as it stands in a row of COPY's plain form (PostgreSQL's manual, COPY: File Formats). */
export function asCopied(text: string): string {
  return /[\\\n\r\t]/.test(text) ? text.replace(/[\\\n\r\t]/g, (character) => escapes[character] ?? '') : text
}

const escapes: Record<string, string> = { '\\': '\\\\', '\n': '\\n', '\r': '\\r', '\t': '\\t' }
