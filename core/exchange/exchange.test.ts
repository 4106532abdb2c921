import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import type { Student } from '../record/classRecord'
import { decodeText } from './decodeText'
import { FolderReader } from './folder/folderReader'
import { readStudents } from './folder/readStudentFiles'
import { guessGradebook } from './guessGradebook'
import { countPlan, planImport, type ImportPlan, type KnownResult } from './planImport'
import { readDate } from './readDate'
import { readGradebook } from './readGradebook'
import { readScore } from './readScore'
import { readTable } from './readTable'
import { writeCsv } from './writeCsv'

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text)
const demo = (path: string): Uint8Array => new Uint8Array(readFileSync(new URL(`../../demo/${path}`, import.meta.url)))
const students: Student[] = readStudents(new FolderReader(new Map([['students.csv', demo('batch/students.csv')]])))

describe('CSV', () => {
  // Source: RFC 4180, section 2, rules 1 to 7, with the RFC's own examples.
  it.each([
    [
      '1 and 2: lines end in CRLF, the last may not',
      'aaa,bbb,ccc\r\nzzz,yyy,xxx',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '5: fields in quotes',
      '"aaa","bbb","ccc"\r\nzzz,yyy,xxx',
      [
        ['aaa', 'bbb', 'ccc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    [
      '6: line breaks and commas in quotes',
      '"aaa","b\r\nbb","c,cc"\r\nzzz,yyy,xxx',
      [
        ['aaa', 'b\r\nbb', 'c,cc'],
        ['zzz', 'yyy', 'xxx'],
      ],
    ],
    ['7: a doubled quote', '"aaa","b""bb","ccc"', [['aaa', 'b"bb', 'ccc']]],
  ])('RFC 4180 rule %s', (_rule, text, cells) => {
    expect(readTable(text).rows.map((row) => row.cells)).toEqual(cells)
  })

  // Sources: csv-parse and papaparse (npm), independent readers and writers.
  it('reads what papaparse writes as csv-parse does', () => {
    const cell = fc
      .string({ unit: fc.constantFrom('a', 'é', '7', ' ', ',', ';', '"', '\n', '’'), maxLength: 8 })
      .map((text) => text.trim())
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constant('x'), cell, cell), { minLength: 1, maxLength: 12 }), (rows) => {
        const text = Papa.unparse(rows, { newline: '\r\n', quotes: true })
        expect(readTable(text).rows.map((row) => row.cells)).toEqual(
          (parse(text, { delimiter: ',' }) as string[][]).map((row) => row.map((each) => each.trim())),
        )
      }),
      { numRuns: 1000 },
    )
  })

  it('is written so that it reads back, with formulas defused', () => {
    const text = writeCsv([
      ['=SUM(A1:A9)', '-3', 'a "b", c'],
      ['@x', '+1,5', '<script>'],
    ])
    expect(parse(text)).toEqual([
      ["'=SUM(A1:A9)", '-3', 'a "b", c'],
      ["'@x", '+1,5', '<script>'],
    ])
  })

  it.each([
    [',', 'a,b,c\n1,2,3'],
    [';', 'a;b;c\n1,5;2;3'],
    ['\t', 'a\tb, x\tc\n1\t2\t3'],
    ['|', 'a|b|c\n1|2|3'],
  ])('finds the separator “%s”', (delimiter, text) => {
    expect(readTable(text).delimiter).toBe(delimiter)
  })

  it('reads text as files have it', () => {
    expect(decodeText(bytes('\ufeffZoë'))).toBe('Zoë')
    expect(decodeText(new Uint8Array([0x5a, 0x6f, 0xeb, 0x92]))).toBe('Zoë’')
    expect(decodeText(new Uint8Array([0xff, 0xfe, 0x5a, 0x00]))).toBe('Z')
  })

  it.each([
    ['an empty file', new Uint8Array(), /empty/],
    ['a PDF', bytes('%PDF-1.7 …'), /a PDF, not a CSV/],
    ['50 MB of one line', new Uint8Array(50 * 1024 * 1024).fill(65), /larger than 20 MB/],
  ])('%s is told in words', (_what, content, message) => {
    expect(() => readTable(decodeText(content))).toThrow(message)
  })
  it.each([
    ['\n \n\n;;\n', /no rows/],
    ['a,"b\nc,d', /never closed/],
    [`a,${'x'.repeat(100_001)}`, /100,000 characters/],
  ])('bad text is told in words', (text, message) => {
    expect(() => readTable(text)).toThrow(message)
  })
})

describe('scores and dates as people write them', () => {
  it.each([
    ['17', 20, 'scored', 17],
    ['17,5', 20, 'scored', 17.5],
    ['18/20', 20, 'scored', 18],
    ['85 %', 20, 'scored', 17],
    ['late 12', 20, 'late', 12],
    ['missing', 20, 'missing', null],
    ['Ex', 20, 'excused', null],
    ['inc', 20, 'incomplete', null],
  ])('%s out of %d is %s %s', (written, outOf, state, score) => {
    expect(readScore(written, outOf)).toMatchObject({ kind: 'result', state, score })
  })
  it.each([
    ['N/A', /no score/],
    ['23', /above the maximum of 20/],
    ['-2', /below zero/],
    ['18/25', /out of 25/],
    ['<script>', /no score/],
  ])('%s is refused', (written, reason) => {
    const read = readScore(written, 20)
    expect(read.kind === 'refused' && read.reason).toMatch(reason)
  })
  it.each([
    ['2026-10-05', '2026-10-05'],
    ['5.10.2026', '2026-10-05'],
    ['05/10/26', '2026-10-05'],
    ['31/11/2026', undefined],
    ['soon', undefined],
  ])('%s is %s', (written, iso) => {
    expect(readDate(written)).toBe(iso)
  })
})

describe('gradebook files of different make', () => {
  const known = (plan: ImportPlan): { work: Parameters<typeof planImport>[2]['work']; results: KnownResult[] } => ({
    work: plan.work.map(({ work }) => ({ ...work, id: work.title, counts: true })),
    results: plan.results.map((result) => ({ ...result, workId: result.title })),
  })
  function plan(path: string, categories: string[], earlier?: ImportPlan): ImportPlan {
    const table = readTable(decodeText(demo(path)))
    const mapping = guessGradebook(table, categories)
    return planImport(readGradebook(table, mapping), mapping, {
      students,
      categories,
      ...(earlier ? known(earlier) : { work: [], results: [] }),
    })
  }

  it.each([
    ['batch/gradebook-mathematics.csv', ['Quizzes', 'Projects', 'Homework'], 6],
    ['batch/gradebook-writing.csv', ['Final texts', 'Drafts', 'Spelling tests'], 5],
    ['batch/gradebook-science.csv', ['Lab notes', 'Tests', 'Class work'], 4],
    ['batch/gradebook-art.csv', ['Portfolio'], 2],
    ['batch/gradebook-music.csv', ['Playing', 'Theory'], 3],
  ])('%s is understood whole, and the same file again changes nothing', (path, categories, pieces) => {
    const first = plan(path, categories)
    expect(first.refused).toEqual([])
    expect(first.doubtful).toEqual([])
    expect(first.newCategories).toEqual([])
    expect(first.work).toHaveLength(pieces)
    expect(first.work.every(({ work }) => work.date !== null && work.outOf < 60)).toBe(true)
    expect(countPlan(first).new).toBeGreaterThan(pieces * 20)
    expect(countPlan(plan(path, categories, first))).toMatchObject({
      new: 0,
      changed: 0,
      unchanged: first.results.length,
      refused: 0,
    })
  })

  it('takes the good rows and says what is wrong with the others', () => {
    const late = plan('files/mathematics-late-results.csv', ['Quizzes', 'Projects', 'Homework'])
    expect(late.refused.map((refusal) => refusal.reason).join('\n')).toMatch(
      /“N\/A” is no score[\s\S]*above the maximum of 20[\s\S]*already came in row[\s\S]*No student of this class/,
    )
    expect(countPlan(late).new).toBeGreaterThan(40)
    const seeds = plan('files/science-seed-notes.tsv', ['Lab notes', 'Tests', 'Class work'])
    expect(seeds.refused.map((refusal) => refusal.reason).join()).toMatch(/no date/)
    expect(seeds.results.some((result) => result.remark === '=SUM(A1:A9)')).toBe(true)
    const museum = plan('files/writing-museum-visit.csv', ['Final texts'])
    expect(museum.doubtful).toMatchObject([{ written: 'Jonas', candidates: [{}, {}] }])
    expect(countPlan(museum)).toMatchObject({ new: 7, refused: 0 })
  })
})
