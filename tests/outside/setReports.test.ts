import { createWriteStream, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, it } from 'vitest'
import type { Block, ReportDocument } from '../../core/reports/document'
import { setReports } from '../../press/pdf/setReports'

const report = (studentId: string, blocks: Block[]): ReportDocument => ({
  version: 1,
  title: `Report of ${studentId}`,
  language: 'en-GB',
  paper: 'A4',
  studentId,
  studentName: `Student ${studentId}`,
  foot: `foot of ${studentId}`,
  blocks,
})
const paragraph = (text: string): Block => ({ kind: 'paragraph', text, voice: 'comment' })
const table = (rows: number): Block => ({
  kind: 'table',
  caption: 'Levels',
  columns: [
    { title: 'Skill', share: 0.7 },
    { title: 'Level', share: 0.3 },
  ],
  rows: Array.from({ length: rows }, (_, at) => [
    { text: `row ${at + 1}` },
    { text: '3', strokes: { filled: 3, of: 4 } },
  ]),
})

/** Sets reports and reads the pages back with pdf.js (npm), an independent reader. */
async function set(
  reports: ReportDocument[],
  onReport?: (done: number) => boolean,
): Promise<{ pages: Map<string, number>; texts: string[]; lines: string[][]; drawings: number[] }> {
  const path = join(mkdtempSync(join(tmpdir(), 'facunda-set-')), 'out.pdf')
  const pages = await setReports(reports, createWriteStream(path), {
    title: 'Test',
    language: 'en-GB',
    madeAt: new Date('2027-03-15T12:00:00Z'),
    ...(onReport ? { onReport } : {}),
  })
  const document = await getDocument({ data: new Uint8Array(readFileSync(path)) }).promise
  const texts: string[] = []
  const lines: string[][] = []
  const drawings: number[] = []
  for (let number = 1; number <= document.numPages; number += 1) {
    const page = await document.getPage(number)
    drawings.push((await page.getOperatorList()).fnArray.filter((operation) => operation === OPS.constructPath).length)
    const { items } = await page.getTextContent()
    texts.push(
      items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    )
    const byHeight = new Map<number, string>()
    for (const item of items)
      if ('str' in item)
        byHeight.set(Number(item.transform[5]), (byHeight.get(Number(item.transform[5])) ?? '') + item.str)
    lines.push([...byHeight.values()])
  }
  return { pages, texts, lines, drawings }
}

describe('setting reports', () => {
  it('begins each on a new page and counts its own pages', async () => {
    const { pages, texts } = await set([
      report('1', [paragraph('word '.repeat(1500))]),
      report('2', [paragraph('short')]),
    ])
    expect([...pages]).toEqual([
      ['1', texts.length - 1],
      ['2', 1],
    ])
    expect(texts.length).toBeGreaterThan(2)
    texts.slice(0, -1).forEach((text, at) => expect(text).toContain(`foot of 1 page ${at + 1} of ${texts.length - 1}`))
    expect(texts.at(-1)).toContain('foot of 2 page 1 of 1')
  })
  it('loses no word of a text that goes over a page', async () => {
    const words = Array.from({ length: 1200 }, (_, at) => `w${at}`)
    const { texts } = await set([report('1', [paragraph(words.join(' '))])])
    expect(texts.join(' ').match(/\bw\d+\b/g)).toEqual(words)
  })
  it('keeps a short table whole and repeats the heads of a long one', async () => {
    for (let filler = 480; filler <= 620; filler += 20) {
      const { texts } = await set([report('1', [paragraph('filler '.repeat(filler)), table(6)])])
      expect(texts.filter((text) => /row \d/.test(text))).toHaveLength(1)
    }
    const { texts } = await set([report('1', [table(120)])])
    expect(texts.length).toBeGreaterThan(1)
    for (const text of texts) expect(text).toContain('Skill Level')
    expect(texts.join(' ').match(/row \d+/g)).toHaveLength(120)
  })
  it('draws a table’s rules on the table’s page, also when a text after it goes on to the next', async () => {
    const plain: Block = {
      kind: 'table',
      caption: 'Days',
      columns: [{ title: 'Day', share: 1 }],
      rows: [[{ text: 'one' }], [{ text: 'two' }]],
    }
    const { drawings } = await set([report('1', [plain, paragraph('word '.repeat(900))])])
    expect(drawings).toEqual([1, 0])
  })
  it('leaves no line of a text alone at the foot or the head of a page', async () => {
    const text = Array.from({ length: 100 }, (_, at) => `word${at}`).join(' ')
    const torn: [number, number][] = []
    for (let rows = 30; rows <= 46; rows += 1) {
      const { lines } = await set([report('1', [table(rows), paragraph(text)])])
      const counts = lines
        .map((page) => page.filter((line) => line.includes('word')).length)
        .filter((count) => count > 0)
      if (counts.length > 1) torn.push([counts[0] ?? 0, counts[1] ?? 0])
    }
    expect(torn.length).toBeGreaterThan(1)
    for (const parts of torn) expect(Math.min(...parts)).toBeGreaterThan(1)
  })
  it('leaves no heading alone at the foot of a page', async () => {
    for (let filler = 560; filler <= 680; filler += 15) {
      const { texts } = await set([
        report('1', [
          paragraph('filler '.repeat(filler)),
          { kind: 'heading', level: 2, text: 'Headed' },
          paragraph('first words of the text'),
        ]),
      ])
      expect(texts.find((text) => text.includes('Headed'))).toContain('first words')
    }
  })
  it('gives the rest up when told to', async () => {
    const { pages } = await set(
      ['1', '2', '3'].map((id) => report(id, [paragraph(id)])),
      (done) => done < 2,
    )
    expect([...pages.keys()]).toEqual(['1', '2'])
  })
  it('sets names of other scripts and markup as the text they are', async () => {
    const { texts } = await set([report('1', [paragraph('<script>alert(1)</script> Zoë O’Rourke Karadağ Zieliński')])])
    expect(texts[0]).toContain('<script>alert(1)</script> Zoë O’Rourke Karadağ Zieliński')
  })
})
