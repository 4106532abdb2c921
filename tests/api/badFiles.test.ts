import { strToU8, zipSync } from 'fflate'
import { expect, it } from 'vitest'
import type { FileAnswer } from '../../contracts/answers'
import { allSignedIn } from './client'
import { juniper } from './school'

// A file that asks for more than there is costs nobody else theirs: a reader each, with a time and a memory of its own.

const ods = (rows: string): Uint8Array =>
  zipSync({
    'mimetype': [strToU8('application/vnd.oasis.opendocument.spreadsheet'), { level: 0 }],
    'content.xml': strToU8(
      `<office:document-content><office:body><office:spreadsheet><table:table table:name="a">${rows}</table:table>
       </office:spreadsheet></office:body></office:document-content>`,
    ),
  })
const row = (cells: string, times = 1): string =>
  `<table:table-row table:number-rows-repeated="${times}">${cells}</table:table-row>`
const cell = (times: number): string =>
  `<table:table-cell table:number-columns-repeated="${times}" office:value="7"><text:p>7</text:p></table:table-cell>`

const bad: [what: string, name: string, bytes: Uint8Array][] = [
  ['columns that are repeated 999,999,999 times', 'a.ods', ods(row(cell(999_999_999)))],
  ['rows that are', 'b.ods', ods(row(cell(500), 999_999_999))],
  ['XML that is a hundred thousand deep', 'c.ods', ods('<table:table-row>'.repeat(100_000))],
  ['two hundred megabytes of nothing', 'd.ods', zipSync({ 'content.xml': new Uint8Array(200_000_000) })],
]

it.each(bad)('%s: told, and a colleague’s file is read meanwhile', async (_, name, bytes) => {
  const [marek, ines] = await allSignedIn('marek', 'ines')
  const [theirs, ours] = await Promise.all([juniper(marek, '6 Rowan'), juniper(ines)])
  const bring = (ask: typeof ines, path: string, called: string, file: Uint8Array) =>
    ask<FileAnswer & { message: string }>('POST', `${path}/files?subject=mathematics&name=${called}`, file)
  const file = new TextEncoder().encode('Name,Frieze\nFinn Aaltonen,17\n')
  // Two of them at once: as many as there are readers.
  const [broken, again, good, health] = await Promise.all([
    bring(marek, theirs.path, name, bytes),
    bring(marek, theirs.path, name, bytes),
    bring(ines, ours.path, 'good.csv', file),
    ines('GET', '/api/health'),
  ])
  for (const { status, body } of [broken, again]) {
    expect([413, 422]).toContain(status)
    // Seen by what it asks for, before its time is up.
    expect(body.message).toMatch(/\S{3}/)
    expect(body.message).not.toContain('too long to read')
  }
  expect([good.status, health.status]).toEqual([200, 200])
  expect((await bring(marek, theirs.path, 'good.csv', file)).status).toBe(200)
})
