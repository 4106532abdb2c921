import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parse } from 'csv-parse/sync'
import { describe, expect, it } from 'vitest'
import { runBatch } from '../../scripts/runBatch'
import { demoFolder } from '../outside/demoClass'

function folders(spoil?: (folder: string) => void): { from: string; to: string } {
  const from = mkdtempSync(join(tmpdir(), 'facunda-in-'))
  cpSync(demoFolder, from, { recursive: true })
  spoil?.(from)
  return { from, to: join(mkdtempSync(join(tmpdir(), 'facunda-out-')), 'out') }
}

const edit =
  (file: string, change: (text: string) => string) =>
  (folder: string): void => {
    writeFileSync(join(folder, file), change(readFileSync(join(folder, file), 'utf8')))
  }

describe('the batch command', () => {
  it('writes comments, reports and a machine-readable run, the same comments each time', async () => {
    const { from, to } = folders()
    expect(await runBatch(['--in', from, '--out', to], console.error, () => undefined)).toBe(0)
    expect(readdirSync(to).sort()).toEqual(['comments.csv', 'reports.pdf', 'run.json'])
    const rows = parse(readFileSync(join(to, 'comments.csv')), { columns: true }) as {
      number: string
      box: string
      text: string
      characters: string
    }[]
    expect(rows).toHaveLength(24 * 8)
    const first = readFileSync(join(to, 'comments.csv'), 'utf8')
    expect(await runBatch(['--in', from, '--out', to], console.error, () => undefined)).toBe(0)
    expect(readFileSync(join(to, 'comments.csv'), 'utf8')).toBe(first)
    const run = JSON.parse(readFileSync(join(to, 'run.json'), 'utf8')) as {
      students: { pages: number; comments: { sentences: { because: unknown[] }[] }[] }[]
    }
    expect(
      run.students.every(
        (student) =>
          student.pages > 0 &&
          student.comments.every((comment) => comment.sentences.every((sentence) => sentence.because.length > 0)),
      ),
    ).toBe(true)
  })

  it.each([
    [
      'an unclosed slot',
      edit('phrasebook.csv', (text) => text.replace('What comes next', 'What {comes next')),
      /phrasebook\.csv, row 2, column text: At character 6: a “}”/,
    ],
    [
      'a plan that names a missing part',
      edit('boxes.csv', (text) => text.replace('outcome Number', 'outcome Numbers')),
      /boxes\.csv, row 5, column plan: There is no strand “Numbers”/,
    ],
    [
      'two levels with one symbol',
      edit('scales.csv', (text) => text.replace('marks,mark,Marks,B', 'marks,mark,Marks,A')),
      /scales\.csv: .*two levels with the symbol “A”/,
    ],
    [
      'a student twice',
      edit('students.csv', (text) => `${text}${text.split('\n')[1]}\n`),
      /students\.csv, row 26, column number: “05101” stands in row 2/,
    ],
    [
      'a score above the maximum',
      edit('gradebook-art.csv', (text) => text.replace(/^(05101,.*?,.*?),\d+/m, '$1,99')),
      /gradebook-art\.csv, row \d+, column .*above the maximum/,
    ],
    [
      'a level that is none',
      edit('levels.csv', (text) => text.replace(/,\d\n/, ',9\n')),
      /levels\.csv, row 2, column level: “9” is no level/,
    ],
    [
      'a missing file',
      (folder: string) => {
        writeFileSync(join(folder, 'habits.csv'), '')
      },
      /habits\.csv: The file is empty/,
    ],
    [
      'no JSON',
      (folder: string) => {
        writeFileSync(join(folder, 'layout.json'), '{')
      },
      /layout\.json: This is no JSON/,
    ],
    [
      'a PDF named .csv',
      (folder: string) => {
        writeFileSync(join(folder, 'gradebook-art.csv'), '%PDF-1.7')
      },
      /gradebook-art\.csv: This is a PDF/,
    ],
  ])('tells of %s by file, row, column and reason, and writes nothing', async (_what, spoil, message) => {
    const { from, to } = folders(spoil)
    const lines: string[] = []
    expect(
      await runBatch(
        ['--in', from, '--out', to],
        (line) => lines.push(line),
        () => undefined,
      ),
    ).toBe(2)
    expect(lines.join('\n')).toMatch(message)
    expect(existsSync(to)).toBe(false)
  })

  it('says how it is called', async () => {
    const lines: string[] = []
    expect(
      await runBatch(
        ['--in', 'x'],
        (line) => lines.push(line),
        () => undefined,
      ),
    ).toBe(2)
    expect(
      await runBatch(
        ['--in', '/no/such/folder', '--out', '/tmp/none'],
        (line) => lines.push(line),
        () => undefined,
      ),
    ).toBe(2)
    expect(lines.join('\n')).toMatch(/Usage[\s\S]*no such folder/)
  })
})
