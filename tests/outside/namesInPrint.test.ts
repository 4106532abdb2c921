import { execFileSync } from 'node:child_process'
import { createWriteStream, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { expect, it } from 'vitest'
import type { Block, ReportDocument } from '../../core/reports/document'
import { setReports } from '../../press/pdf/setReports'

// Names as families write them. Sources: pdftotext (Debian's poppler-utils) and pdf.js (npm), independent readers; the
// first puts text that runs from right to left back into the order in which it is read.
const names = [
  ['Hebrew', 'משה כהן'],
  ['Hebrew with a maqaf', 'נועה בן־דוד'],
  ['Arabic', 'محمد العلي'],
  ['Chinese', '王小明'],
  ['Japanese', '美咲 たかはし'],
  ['Korean', '김민준'],
  ['Yoruba', 'Adéẹ̀bọ̀wálé Ọlábísí'],
  ['decomposed Vietnamese', 'Nguyễn Thị Hồng'.normalize('NFD')],
  ['Greek', 'Ελένη Παπαδοπούλου'],
  ['Ukrainian', 'Їжакевич Ґалина'],
  ['Georgian', 'ნინო'],
  ['Armenian', 'Անահիտ'],
  ['Amharic', 'ሰላም'],
  ['Hindi', 'सीमा'],
  ['Tamil', 'மாலா'],
  ['Thai', 'สมชาย'],
] as const

const report = (name: string, blocks: Block[]): ReportDocument => ({
  version: 1,
  title: `Report of ${name}`,
  language: 'en-GB',
  paper: 'A4',
  studentId: name,
  studentName: name,
  foot: `Larkhollow School · ${name}`,
  blocks,
})

async function set(reports: ReportDocument[]): Promise<string> {
  const path = join(mkdtempSync(join(tmpdir(), 'facunda-names-')), 'out.pdf')
  await setReports(reports, createWriteStream(path), {
    title: 'Test',
    language: 'en-GB',
    madeAt: new Date('2027-03-15T12:00:00Z'),
  })
  return path
}

/** Words as pdftotext reads them, without the marks of direction that it adds. */
function read(path: string, page: number): string {
  const text = execFileSync('pdftotext', ['-enc', 'UTF-8', '-f', `${page}`, '-l', `${page}`, path, '-'], {
    encoding: 'utf8',
  })
  return text
    .normalize('NFC')
    .replace(/[\u200e\u200f\u202a-\u202e]/g, '')
    .replace(/\s+/g, ' ')
}

/** How often the sign for a missing character is drawn on a page: glyph 0 of any font. */
async function missingSigns(path: string, number: number): Promise<number> {
  const page = await (await getDocument({ data: new Uint8Array(readFileSync(path)) }).promise).getPage(number)
  const { fnArray, argsArray } = await page.getOperatorList()
  const glyphs = fnArray.flatMap((operation, at) =>
    operation === OPS.showText ? ((argsArray[at] as unknown[][])[0] ?? []) : [],
  )
  return glyphs.filter((glyph) => (glyph as { originalCharCode?: number }).originalCharCode === 0).length
}

it('names in any script stand in headings, facts, tables, comments and at the foot, each sign in a font that has it', async () => {
  const path = await set(
    names.map(([, name]) =>
      report(name, [
        { kind: 'heading', level: 1, text: name },
        { kind: 'facts', items: [{ label: 'Name', value: name }] },
        {
          kind: 'table',
          caption: 'Work',
          columns: [{ title: 'Work', share: 1 }],
          rows: [[{ text: `The diary of ${name}` }]],
        },
        {
          kind: 'paragraph',
          voice: 'comment',
          text: `We saw how ${name} measured the weir, and ${name}’s numbers hold.`,
        },
      ]),
    ),
  )
  for (const [nth, [script, name]] of names.entries()) {
    const text = read(path, nth + 1)
    const wanted = name.normalize('NFC')
    expect(`${script}: ${text.split(wanted).length - 1}`).toBe(`${script}: 6`)
    expect(`${script}: ${await missingSigns(path, nth + 1)}`).toBe(`${script}: 0`)
  }
})

it('breaks a long mixed text into lines within the margins, and over pages, without losing a word', async () => {
  const words = Array.from({ length: 700 }, (_, nth) => (nth % 5 === 0 ? `王小明${nth}` : `word${nth}`))
  const path = await set([report('王小明', [{ kind: 'paragraph', voice: 'comment', text: words.join(' ') }])])
  const { numPages } = await getDocument({ data: new Uint8Array(readFileSync(path)) }).promise
  expect(numPages).toBeGreaterThan(1)
  // A line may end inside a Chinese name, so spaces are left aside.
  const pages = Array.from({ length: numPages }, (_, nth) => read(path, nth + 1))
    .join('')
    .replace(/ /g, '')
  expect(words.filter((word) => !pages.includes(word))).toEqual([])
  expect(execFileSync('pdfinfo', ['-struct-text', path], { encoding: 'utf8' })).toContain('word699')
})

it('a character that no font has stops the run and names the student; nothing is printed as an empty box', async () => {
  const strange = report('Umi Takahara', [{ kind: 'paragraph', voice: 'comment', text: 'Umi drew \u{13000}.' }])
  await expect(set([strange])).rejects.toThrow(/Umi Takahara: no font here has the character “\u{13000}” \(U\+13000\)/u)
})
