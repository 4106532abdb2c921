import { readFileSync } from 'node:fs'
import ExcelJS from 'exceljs'
import { beforeAll, describe, expect, it } from 'vitest'
import type { FileAnswer, PlanAnswer } from '../../contracts/answers'
import { countPlan } from '../../core/exchange/gradebook/planImport'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

let ines: Client
let place: DemoPlace
const text = (content: string): Uint8Array => new TextEncoder().encode(content)
const demo = (name: string): Uint8Array =>
  new Uint8Array(readFileSync(new URL(`../../demo/files/${name}`, import.meta.url)))
const bring = (subject: string, name: string, bytes: Uint8Array) =>
  ines<FileAnswer & { message: string }>('POST', `${place.path}/files?subject=${subject}&name=${name}`, bytes)
const plan = async (file: FileAnswer) =>
  (await ines<PlanAnswer>('POST', `/api/files/${file.id}/plan`, { mapping: file.mapping })).body
const apply = (file: FileAnswer, fingerprint: string) =>
  ines<{ event: number | null; summary: string }>('POST', `/api/files/${file.id}/apply`, {
    mapping: file.mapping,
    fingerprint,
  })
const results = async () => (await see(ines, place.path)).record

beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})

describe('bringing in a gradebook file', () => {
  it('shows what will change, takes it in whole, changes nothing the second time, and is undone whole', async () => {
    const before = await results()
    const { body: file } = await bring('mathematics', 'late.csv', demo('mathematics-late-results.csv'))
    const first = await plan(file)
    expect(countPlan(first.plan)).toMatchObject({ changed: 0, unchanged: 0 })
    expect(first.plan.refused.length).toBeGreaterThan(3)
    expect((await results()).results).toHaveLength(before.results.length)

    const taken = await apply(file, first.fingerprint)
    expect(taken.status).toBe(200)
    const after = await results()
    expect(after.results).toHaveLength(before.results.length + countPlan(first.plan).new)
    expect(after.work).toHaveLength(before.work.length + 2)

    const { body: again } = await bring('mathematics', 'late.csv', demo('mathematics-late-results.csv'))
    const second = await plan(again)
    expect(countPlan(second.plan)).toMatchObject({ new: 0, changed: 0 })
    expect((await apply(again, second.fingerprint)).body.event).toBeNull()

    expect((await ines('POST', `/api/events/${taken.body.event}/undo`)).status).toBe(200)
    const undone = await results()
    expect(new Set(undone.results.map((each) => JSON.stringify(each)))).toEqual(
      new Set(before.results.map((each) => JSON.stringify(each))),
    )
    expect(undone.work).toHaveLength(before.work.length)
    expect((await ines('POST', `/api/events/${taken.body.event}/undo`)).status).toBe(409)
  })

  it('reads a file as it is corrected, and the next of its make the same', async () => {
    const bytes = text('Name,Frieze\nIn all,20\nFinn Aaltonen,17\nTamsin Bright,z\n')
    const { body: file } = await bring('art', 'frieze.csv', bytes)
    const correction = { row: 2, is: 'out of' }
    const { body: corrected } = await ines<PlanAnswer>('POST', `/api/files/${file.id}/plan`, {
      ...{ mapping: { ...file.mapping, signs: { z: 'excused' } }, correction },
    })
    expect(corrected.mapping.describingRows).toEqual({ '2': 'out of' })
    expect(corrected.plan.work[0]?.work.outOf).toBe(20)
    const taken = await apply({ ...file, mapping: corrected.mapping }, corrected.fingerprint)
    expect(taken.body.summary).toContain('2 new')
    const { body: again } = await bring('art', 'frieze.csv', bytes)
    expect(again).toMatchObject({ remembered: true, mapping: { signs: { z: 'excused' } } })
    expect(countPlan((await plan(again)).plan)).toMatchObject({ new: 0, changed: 0, unchanged: 2, refused: 0 })
    expect((await ines('POST', `/api/events/${taken.body.event}/undo`)).status).toBe(200)
  })

  it('is not undone under results that came in later for the same work', async () => {
    const first = (await bring('art', 'first.csv', text('Number,Mosaic (10)\n05101,7\n'))).body
    const taken = await apply(first, (await plan(first)).fingerprint)
    const second = (await bring('art', 'second.csv', text('Number,Mosaic (10)\n05104,9\n'))).body
    const later = await apply(second, (await plan(second)).fingerprint)
    const refused = await ines<{ message: string }>('POST', `/api/events/${taken.body.event}/undo`)
    expect(refused.status).toBe(409)
    expect(refused.body.message).toMatch(/come to rest on this since/)
    expect((await results()).work.some((work) => work.title === 'Mosaic')).toBe(true)
    expect((await ines('POST', `/api/events/${later.body.event}/undo`)).status).toBe(200)
    expect((await ines('POST', `/api/events/${taken.body.event}/undo`)).status).toBe(200)
  })

  it('takes nothing in when the class has changed since the summary', async () => {
    const content = 'Number,Clay bowl (10)\n05101,7\n05104,8\n'
    const one = (await bring('art', 'one.csv', text(content))).body
    const two = (await bring('art', 'two.csv', text(content.replace('05104,8', '05104,9')))).body
    const [planOne, planTwo] = [await plan(one), await plan(two)]
    const taken = await apply(one, planOne.fingerprint)
    expect((await apply(two, planTwo.fingerprint)).status).toBe(409)
    expect(countPlan((await plan(two)).plan)).toMatchObject({ changed: 1, unchanged: 1 })
    await ines('POST', `/api/events/${taken.body.event}/undo`)
  })

  it('remembers how the columns were corrected', async () => {
    const content = 'Number,Remark of the day,Sketch\n05101,5,6\n'
    const { body: file } = await bring('art', 'm.csv', text(content))
    const corrected = {
      ...file,
      mapping: {
        ...file.mapping,
        columns: ['number', 'ignore', 'score'] as FileAnswer['mapping']['columns'],
        outOf: 10,
      },
    }
    const taken = await apply(corrected, (await plan(corrected)).fingerprint)
    expect(taken.status).toBe(200)
    const { body: next } = await bring('art', 'm2.csv', text(content))
    expect(next).toMatchObject({ remembered: true, mapping: { columns: ['number', 'ignore', 'score'], outOf: 10 } })
    await ines('POST', `/api/events/${taken.body.event}/undo`)
  })

  it('reads the sheet of a workbook that names the class, whatever the file is called, and any other that is chosen', async () => {
    const book = new ExcelJS.Workbook()
    book.addWorksheet('Read me').addRow(['How to fill this in'])
    book.addWorksheet('Masks').addRows([['Number', 'Mask (20)'], [], ['05101', 17], ['05104', 'late 12']])
    book.addWorksheet('Prints').addRows([
      ['Number', 'Print (10)'],
      ['05101', 4.5],
    ])
    const bytes = new Uint8Array(await book.xlsx.writeBuffer())
    const { body: file } = await bring('art', 'art.csv', bytes)
    expect([file.mapping.sheet, file.sheets.map(({ mapping }) => mapping.sheet)]).toEqual([
      'Masks',
      ['Read me', 'Masks', 'Prints'],
    ])
    const told = async (each: FileAnswer) =>
      (await plan(each)).plan.results.map(({ row, title, state, score }) => [row, title, state, score])
    expect(await told(file)).toEqual([
      [3, 'Mask', 'scored', 17],
      [4, 'Mask', 'late', 12],
    ])
    const prints = { ...file, ...file.sheets[2] } as FileAnswer
    expect(await told(prints)).toEqual([[2, 'Print', 'scored', 4.5]])
    const taken = await apply(prints, (await plan(prints)).fingerprint)
    expect([taken.status, taken.body.summary]).toEqual([200, '1 new, 0 changed, 0 unchanged, 0 refused'])
    await ines('POST', `/api/events/${taken.body.event}/undo`)
    const nowhere = { ...file, mapping: { ...file.mapping, sheet: 'Elsewhere' } }
    expect((await ines('POST', `/api/files/${file.id}/plan`, { mapping: nowhere.mapping })).status).toBe(404)
  })

  it.each<[string, Uint8Array, RegExp, number?]>([
    ['a workbook that is cut off', new Uint8Array([0x50, 0x4b, 0x03, 0x04, 0x14, 0, 0, 0]), /damaged/],
    ['a workbook with a password', new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1]), /with a password/],
    ['an empty file', new Uint8Array(), /empty/],
    ['a PDF named .csv', text('%PDF-1.7\n…'), /This is a PDF/],
    ['blank lines only', text('\n\n;;\n'), /no rows/],
    ['50 MB of one line', new Uint8Array(50 * 1024 * 1024).fill(65), /larger than 20 MB/, 413],
    ['nineteen million empty lines', new Uint8Array(19 * 1024 * 1024).fill(10), /100,000 lines/],
    ['a web page named .xls', text('<html><table><tr><td>1'), /This is a web page/],
    ['a quote never closed', text('Number,A\n"05101,3\n'), /never closed/],
  ])('%s gets a clear message and loses nothing', async (_what, bytes, message, status = 422) => {
    const before = (await results()).results.length
    const answer = await bring('art', 'bad.csv', bytes)
    expect(answer.status).toBe(status)
    expect(answer.body.message).toMatch(message)
    expect((await results()).results).toHaveLength(before)
  })

  it('keeps markup and formulas as the text they are', async () => {
    const { body: file } = await bring(
      'art',
      '<script>.csv',
      text('Number,"<script>alert(1)</script>",Remark\n05101,9,=1+1\n'),
    )
    const taken = await apply(file, (await plan(file)).fingerprint)
    expect((await results()).work.some((work) => work.title === '<script>alert(1)</script>')).toBe(true)
    await ines('POST', `/api/events/${taken.body.event}/undo`)
  })
})
