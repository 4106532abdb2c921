import { randomUUID } from 'node:crypto'
import { beforeAll, expect, it } from 'vitest'
import type { CategoriesElsewhere } from '../../contracts/categories'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

// How marks add up in a subject of a class: kept whole or not at all, with what work is in staying.
let ines: Client
let place: DemoPlace
interface Kept {
  key: string
  name: string
  weight: number
  isExam: boolean
}

beforeAll(async () => {
  ines = await signedInAs('ines')
  place = await juniper(ines)
})

const now = async (): Promise<Kept[]> =>
  (await see(ines, place.path)).record.categories
    .filter((each) => each.subject === 'mathematics')
    .map(({ key, name, weight, isExam }) => ({ key, name, weight, isExam }))
const keep = (categories: Kept[], was: Kept[]) =>
  ines<{ event: number; message: string }>('PUT', `${place.path}/categories`, {
    subject: 'mathematics',
    categories,
    was,
  })

it('is changed as a whole, a new category among them, and undone', async () => {
  const was = await now()
  const wanted = [
    ...was.map((each) => ({ ...each, weight: each.weight + 5 })),
    { key: randomUUID(), name: 'Exam', weight: 3, isExam: false },
  ]
  const { status, body } = await keep(wanted, was)
  expect(status).toBe(200)
  expect((await now()).toSorted((a, b) => a.name.localeCompare(b.name))).toEqual(
    wanted.toSorted((a, b) => a.name.localeCompare(b.name)),
  )
  // Who saw it as it was before changes nothing over it.
  expect(
    (
      await keep(
        was.map((each) => ({ ...each, weight: 1 })),
        was,
      )
    ).status,
  ).toBe(409)
  expect((await ines('POST', `/api/events/${body.event}/undo`)).status).toBe(200)
  expect(await now()).toEqual(was)
})

it.each<[string, (was: Kept[]) => Kept[], RegExp]>([
  ['a category with work in it taken away', (was) => was.slice(1), /of work (is|are) in/],
  ['weights of nothing', (was) => was.map((each) => ({ ...each, weight: 0 })), /add up to nothing/],
  [
    'two of one name',
    (was) => [...was, { key: 'other', name: was[0]?.name.toUpperCase() ?? '', weight: 1, isExam: false }],
    /two categories/,
  ],
  ['no name', (was) => [...was, { key: 'other', name: '  ', weight: 1, isExam: false }], /needs a name/],
  ['a weight below 0', (was) => was.map((each) => ({ ...each, weight: -1 })), /from 0 to/],
])('%s is refused', async (_, wanted, reason) => {
  const was = await now()
  const { status, body } = await keep(wanted(was), was)
  expect([status, body.message]).toEqual([422, expect.stringMatching(reason)])
  expect(await now()).toEqual(was)
})

it('is changed by whom the subject is, and read by whom the class is', async () => {
  const was = await now()
  const body = { subject: 'mathematics', categories: was, was }
  for (const [name, reads, changes] of [
    [null, 401, 401],
    ['marek', 403, 403],
    ['tobias', 200, 403],
    ['philippa', 200, 403],
    ['ines', 200, 200],
  ] as const) {
    const ask = await signedInAs(name)
    const read = await ask('GET', `${place.path}/categories?subject=mathematics`)
    const changed = await ask('PUT', `${place.path}/categories`, body)
    expect([name, read.status, changed.status]).toEqual([name, reads, changes])
  }
})

it('is told of other classes, the same subject first, and nothing of their children', async () => {
  const elsewhere = (await ines<CategoriesElsewhere[]>('GET', `${place.path}/categories?subject=mathematics`)).body
  expect(elsewhere[0]).toMatchObject({ className: '6 Rowan', subject: 'Mathematics' })
  expect(Object.keys(elsewhere[0] ?? {}).toSorted()).toEqual(['categories', 'className', 'subject', 'year'])
})
