import { readdirSync, readFileSync } from 'node:fs'
import { parse } from 'csv-parse/sync'
import fc from 'fast-check'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { readSetupFolder } from '../../core/exchange/folder/readSetupFolder'
import { writeSetupFolder } from '../../core/exchange/folder/writeSetupFolder'
import { nothingRetired } from '../../core/school/keptSetup'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import { demoClass } from './demoClass'

// A school folder goes out and comes in without loss. RFC 4180 by csv-parse and papaparse (npm), zip by fflate (npm).
const read = (files: Map<string, string>) =>
  readSetupFolder(new Map([...files].map(([name, text]) => [name, new TextEncoder().encode(text)])))
const setups = (): [string, SchoolSetup][] => {
  const { school, layout, scales, subjects, skills, habits, boxes, phrasebook } = demoClass()
  const beginnings = readdirSync('beginnings').map((name): [string, SchoolSetup] => {
    const files = readdirSync(`beginnings/${name}`).map(
      (file) => [file, readFileSync(`beginnings/${name}/${file}`, 'utf8')] as const,
    )
    const { setup } = read(new Map(files))
    if (!setup) throw new Error(name)
    return [name, setup]
  })
  return [['the demo', { school, layout, scales, subjects, skills, habits, boxes, phrasebook }], ...beginnings]
}

describe('a school folder', () => {
  it('keeps what holds in some grades, and what is retired', () => {
    const [[, setup] = ['', null]] = setups()
    if (!setup) throw new Error('no set-up')
    const grades = { from: 1, to: 3 }
    const [markScale, skillScale] = [setup.subjects[0]?.markScale ?? '', setup.subjects[0]?.skillScale ?? '']
    const written = {
      ...setup,
      subjects: setup.subjects.map((each) => ({
        ...each,
        markScaleByGrade: [{ grades, is: markScale }],
        skillScaleByGrade: [{ grades: { from: 4, to: 4 }, is: skillScale }],
      })),
      boxes: setup.boxes.map((each) => ({ ...each, limitByGrade: [{ grades, is: 90 }] })),
    }
    expect(read(writeSetupFolder(written))).toEqual({ setup: written, problems: [] })
    const retired = { ...nothingRetired, habits: new Set([setup.habits[0]?.key ?? '']) }
    expect(read(writeSetupFolder(setup, retired)).setup?.habits).toEqual(setup.habits.slice(1))
  })

  it.each(setups())('of %s comes in as it went out, through a zip too', (_, setup) => {
    const files = writeSetupFolder(setup)
    expect(read(files)).toEqual({ setup, problems: [] })
    const zip = zipSync(Object.fromEntries([...files].map(([name, text]) => [name, strToU8(text)])))
    const back = Object.entries(unzipSync(zip)).map(([name, bytes]) => [name, strFromU8(bytes)] as const)
    expect(read(new Map(back))).toEqual({ setup, problems: [] })
  })

  it('keeps whatever somebody may write: formulas, quotes, line ends, other scripts', () => {
    const [[, setup] = ['', null]] = setups()
    if (!setup) throw new Error('no set-up')
    const words = fc
      .oneof(
        fc.string({ unit: 'grapheme', minLength: 1, maxLength: 30 }),
        fc.constantFrom('=SUM(A1)', "'=1", '-5', '"quoted, twice"', 'two\nlines', 'עברית', '+44', '@home', '{adds}'),
      )
      .map((text) => text.replace(/[\0\r\ufeff]/g, '').trim())
      .filter((text) => text !== '')
    fc.assert(
      fc.property(
        fc.array(words, { minLength: 4, maxLength: 4 }),
        ([statement = '', family = '', strand = '', name = '']) => {
          const [skill, ...skills] = setup.skills.map((each) => ({ ...each, subject: 'art' }))
          const [habit, ...habits] = setup.habits
          if (!skill || !habit) throw new Error('nothing to write')
          const written = {
            ...setup,
            boxes: [],
            subjects: setup.subjects.map((each) =>
              each.key === 'art' && name !== strand ? { ...each, strandNames: { [strand]: name } } : each,
            ),
            skills: [{ ...skill, statement, familyWords: family, strand }, ...skills],
            habits: [{ ...habit, name, familyWords: family }, ...habits],
          }
          expect(read(writeSetupFolder(written)).setup).toEqual(written)
        },
      ),
    )
  })

  it('is CSV as two other readers read it', () => {
    for (const [, setup] of setups()) {
      for (const [name, text] of writeSetupFolder(setup)) {
        if (!name.endsWith('.csv')) continue
        const rows = parse(text, { columns: false }) as string[][]
        expect(Papa.parse<string[]>(text, { skipEmptyLines: true }).data).toEqual(rows)
        expect(new Set(rows.map((row) => row.length)).size, name).toBe(1)
      }
    }
  })

  it('with a part missing, or of another kind, says what is missing and gives nothing', () => {
    const [[, setup] = ['', null]] = setups()
    if (!setup) throw new Error('no set-up')
    const files = writeSetupFolder(setup)
    files.delete('scales.csv')
    const { setup: none, problems } = read(files)
    expect(none).toBeNull()
    expect(problems).toContainEqual({ file: 'scales.csv', row: null, column: null, reason: 'The file is missing.' })
    expect(read(new Map([['readme.txt', 'hello']])).setup).toBeNull()
  })
})
