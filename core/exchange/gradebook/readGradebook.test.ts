import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import type { Student } from '../../record/roster'
import { nameKey } from '../../people/names'
import { decodeText } from '../files/decodeText'
import { FolderReader } from '../folder/folderReader'
import { readStudents } from '../folder/readStudentFiles'
import { guessGradebook } from './guessGradebook'
import { readWorkHeading } from './readWorkHeading'
import { countPlan, planImport, type ImportPlan, type KnownResult } from './planImport'
import { readDate } from '../files/readDate'
import { readScore } from './readScore'
import { readTable } from '../files/readTable'
import { writeCsv } from '../files/writeCsv'

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text)
const demo = (path: string): Uint8Array =>
  new Uint8Array(readFileSync(new URL(`../../../demo/${path}`, import.meta.url)))
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
    ['a PDF', bytes('%PDF-1.7 …'), /This is a PDF/],
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
    ['12 (late)', 20, 'late', 12],
    ['12 Pkt.,  verspätet', 20, 'late', 12],
  ])('%s out of %d is %s %s', (written, outOf, state, score) => {
    expect(readScore(written, outOf)).toMatchObject({ kind: 'result', state, score })
  })
  it.each([
    ['N/A', /no score/],
    ['23', /above the maximum of 20/],
    ['-2', /below zero/],
    ['18/25', /out of 25/],
    ['<script>', /no score/],
    // Metres, perhaps.
    ['12 m', /no score/],
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
    work: plan.work.map(({ work, categoryKey }) => ({
      ...work,
      category: categoryKey ?? work.category,
      id: work.title,
      counts: true,
    })),
    results: plan.results.map((result) => ({ ...result, workId: result.title })),
  })
  const named = (names: string[]) => names.map((name) => ({ key: nameKey(name), name, weight: 1, isExam: false }))
  function plan(path: string, categories: string[], earlier?: ImportPlan): ImportPlan {
    const table = readTable(decodeText(demo(path)))
    const mapping = guessGradebook(table, categories)
    return planImport(table, mapping, {
      students,
      categories: named(categories),
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

  const quiz = { id: 'w', title: 'Quiz', category: 'q', date: '2026-10-05', outOf: 20, weight: 2, counts: true }
  function planText(text: string, work = [quiz]): ImportPlan {
    const table = readTable(text)
    const categories = [{ key: 'q', name: 'Quizzes', weight: 1, isExam: false }]
    return planImport(table, guessGradebook(table, ['Projects']), { students, work, results: [], categories })
  }

  it('keeps what a file does not say of a piece of work, and tells what it changes', () => {
    const silent = planText('Number,Quiz\n05101,17\n')
    expect(silent.work).toMatchObject([{ change: 'unchanged', work: { outOf: 20, weight: 2, date: '2026-10-05' } }])
    const said = planText('Number,Quiz (25)\n05101,17\n')
    expect(said.work).toMatchObject([{ change: 'changed', changes: ['out of 20 → 25'] }])
    expect(countPlan(said)).toMatchObject({ workChanged: 1, workNew: 0 })
    expect(planText('Number,Quiz\n05101,17/25\n05104,9/25\n', []).work).toMatchObject([{ work: { outOf: 25 } }])
  })

  it.each([
    ['Quiz 12/10/2026', { title: 'Quiz 12/10/2026', outOf: null, date: '12/10/2026' }],
    ['Quiz 2026-10-12', { title: 'Quiz 2026-10-12', outOf: null, date: '2026-10-12' }],
    ['Quiz 12/10', { title: 'Quiz 12/10', outOf: null, date: null }],
    ['Quiz (5.10.26)', { title: 'Quiz (5.10.26)', outOf: null, date: '5.10.26' }],
    ['Quiz 3 (20)', { title: 'Quiz 3', outOf: 20, date: null }],
    ['Quiz 3 /20', { title: 'Quiz 3', outOf: 20, date: null }],
    ['Quiz 17/40', { title: 'Quiz 17', outOf: 40, date: null }],
  ])('the heading %s', (heading, read) => {
    expect(readWorkHeading(heading)).toEqual(read)
  })

  it.each([
    ['Total', 'Total points', 'Current score', 'Final grade', 'Durchschnitt', 'Moyenne', 'Ø'],
    ['Subtotal', 'Overall mark', 'Term average', 'Year total', 'Gesamt', 'Promedio'],
  ])('takes no total for a piece of work', (...headings) => {
    const table = readTable(`Number,Final exam,${headings.join(',')}\n05101,7,7,7,7,7,7,7\n`)
    expect(guessGradebook(table, []).columns).toEqual(['number', 'score', ...headings.map(() => 'ignore')])
  })

  it.each([
    ['Nummer;Nachname;Vorname;Quiz', ['number', 'family name', 'given name', 'score']],
    ['Numéro;Nom;Prénom;Quiz', ['number', 'family name', 'given name', 'score']],
    ['Número;Apellidos;Nombre;Quiz', ['number', 'family name', 'given name', 'score']],
    ['Matricola;Cognome;Nome;Quiz', ['number', 'family name', 'given name', 'score']],
    ['Schülernummer;Name;;Quiz', ['number', 'name', 'ignore', 'score']],
    ['Nr;Nom;;Quiz', ['number', 'name', 'ignore', 'score']],
  ])('knows the headings of the neighbours: %s', (headings, roles) => {
    expect(guessGradebook(readTable(`${headings}\nx;Aaltonen;Finn;7\n`), []).columns).toEqual(roles)
  })

  it.each([
    ['Number,Quiz\n', /headings and no row of results/],
    ['Work,Finn Aaltonen,Umi Takahara\nQuiz,7,8\n', /Turn the table/],
    ['05101,Finn,7\n05104,Will,8\n', /No column says whose the results are/],
    ['Number,Project\n05101,A\n05104,B+\n', /No column holds scores/],
  ])('a table that is no gradebook is refused with what to do: %j', (text, reason) => {
    expect(planText(text).refused).toMatchObject([{ reason: expect.stringMatching(reason) as string }])
  })

  it('tells of headings that are doubled, empty or out of nought, and of letters, and takes the rest', () => {
    const plan = planText('Number,Quiz,Quiz,Essay (0),Project,\n05101,7,8,5,B+,9\n05104,9,9,6,A,4\n', [])
    expect(plan.refused.map((refusal) => refusal.reason).join()).toMatch(/stands over column 2.*out of 0 has no share/)
    expect(plan.notes).toEqual([
      expect.stringMatching(/“Project” holds letters/),
      expect.stringMatching(/Column 6 has no heading/),
    ])
    expect(plan.results.map((result) => `${result.title} ${result.score}`)).toEqual(['Quiz 7', 'Quiz 9'])
  })

  it.each([
    [`${'\n'.repeat(100_001)}Number,Quiz`, /100,000 lines/],
    [`Number${',Quiz'.repeat(5000)}\n05101${',7'.repeat(5000)}`, /5,001 columns/],
    [Array.from({ length: 10_002 }, (_, nth) => `${nth},7`).join('\n'), /more than can be read/],
  ])('a table that is far too large is told in words', (text, message) => {
    expect(() => readTable(text)).toThrow(message)
  })

  it('knows a web page by its beginning, whatever it is called', () => {
    expect(() => decodeText(bytes('\n<!DOCTYPE html><table>'))).toThrow(/This is a web page/)
  })
})
