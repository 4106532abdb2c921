import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { beforeAll, describe, expect, it } from 'vitest'
import { runBatch } from '../../scripts/runBatch'
import { demoFolder } from './demoClass'

interface Run {
  students: { number: string; name: string; pages: number; comments: { box: string; text: string }[] }[]
}

// Sources: pdftotext, pdfinfo and pdffonts of poppler (Debian's poppler-utils), and pdf.js (npm), independent readers.
const out = mkdtempSync(join(tmpdir(), 'facunda-pdf-'))
const pdf = join(out, 'reports.pdf')
const poppler = (program: string, ...args: string[]): string =>
  execFileSync(program, args, { encoding: 'utf8', maxBuffer: 64e6 })
const flat = (text: string): string => text.replace(/\s+/g, ' ')
const tight = (text: string): string => text.replace(/\s+/g, '')
let run: Run
let pageTexts: string[]

beforeAll(async () => {
  expect(await runBatch(['--in', demoFolder, '--out', out], console.error, () => undefined)).toBe(0)
  run = JSON.parse(readFileSync(join(out, 'run.json'), 'utf8')) as Run
  pageTexts = poppler('pdftotext', '-layout', pdf, '-').split('\f').slice(0, -1).map(flat)
})

describe('the PDF of the demo class', () => {
  it('is tagged, titled and in a language, with the pages that the run says', async () => {
    const info = poppler('pdfinfo', pdf)
    expect(info).toMatch(/Tagged:\s+yes/)
    expect(info).toMatch(/Title:\s+Report cards: 5 Juniper/)
    const total = run.students.reduce((sum, student) => sum + student.pages, 0)
    expect(info).toMatch(new RegExp(`Pages:\\s+${total}\\b`))
    const document = await getDocument({ data: new Uint8Array(readFileSync(pdf)) }).promise
    expect(document.numPages).toBe(total)
    expect((await document.getMetadata()).info).toMatchObject({ Language: 'en-GB' })
    expect(await document.getMarkInfo()).toMatchObject({ Marked: true })
    expect((await document.getOutline()).map((item) => item.title)).toEqual(run.students.map((student) => student.name))
  })

  it('has headings, paragraphs, tables with scoped headers, and figures with alternative texts', () => {
    const structure = poppler('pdfinfo', '-struct-text', pdf)
    for (const element of [
      /^Document/m,
      /^\s+Sect "/m,
      /^\s+H1 /m,
      /^\s+H2 /m,
      /^\s+Table/m,
      /^\s+TH/m,
      /\/Scope \/Column/,
      /\/Scope \/Row/,
      /^\s+Figure/m,
    ])
      expect(structure).toMatch(element)
    expect(readFileSync(pdf, 'latin1')).toMatch(/pdfuaid/)
  })

  it('embeds and subsets every font', () => {
    const fonts = poppler('pdffonts', pdf).trim().split('\n').slice(2)
    expect(fonts.length).toBeGreaterThanOrEqual(3)
    for (const font of fonts) expect(font).toMatch(/^[A-Z]{6}\+\S+.*\byes yes yes\b/)
  })

  it('has every student’s text on their own pages and nobody else’s, with page 1 of n on each', () => {
    let at = 0
    for (const student of run.students) {
      const own = pageTexts.slice(at, at + student.pages)
      const elsewhere = [...pageTexts.slice(0, at), ...pageTexts.slice(at + student.pages)].join(' ')
      at += student.pages
      own.forEach((page, nth) => expect(page).toContain(`page ${nth + 1} of ${student.pages}`))
      // Running feet stand between the lines of a comment that goes over a page, so they are taken out first.
      const text = own
        .map((page) => page.replace(/Larkhollow School · Report card · .*? page \d+ of \d+/, ''))
        .join(' ')
      // Compared without spaces, since a line may break after a hyphen.
      for (const comment of student.comments.filter((each) => each.text !== ''))
        expect(tight(text)).toContain(tight(comment.text))
      expect(elsewhere).not.toContain(` ${student.name} `)
    }
    expect(at).toBe(pageTexts.length)
  })

  it('keeps teacher-only skills and reasons out', () => {
    const all = pageTexts.join(' ')
    expect(all).not.toMatch(/number talk|fluency interview|last two quizzes/i)
  })
})
