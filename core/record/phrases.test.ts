import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { phrase } from '../../tests/exampleDraft'
import type { Tier } from '../scales/tier'
import type { PartKind } from '../narrative/phrase'
import { phrasesFor } from '../narrative/phraseIndex'
import { readPlan } from '../narrative/plan'
import { nameNumber } from '../narrative/numbers'
import { frameKey } from '../narrative/readyPhrase'
import { classmatesOfComments } from './classmatesOfComments'
import { phraseCoverage, phrasesToldAs } from './phraseCoverage'
import { planProblems } from './planProblems'

const describing = { top: [], strong: [], sound: [], growing: [], starting: [] }

describe('which phrases may be said where', () => {
  const book = {
    describing,
    phrases: [
      phrase('own', 'A.', { subject: 'sums', about: 'Number', tiers: ['top'] }),
      phrase('shared', 'B.', { about: 'Number' }),
      phrase('step', 'C.', { subject: 'sums', part: 'next step' }),
      phrase('any-step', 'D.', { part: 'next step' }),
      phrase('habit-step', 'E.', { part: 'next step', about: 'care' }),
      phrase('habit', 'F.', { part: 'habit', about: 'care' }),
      phrase('own-uneven', 'G.', { subject: 'sums', about: 'Number', tiers: ['growing'], uneven: true }),
      phrase('any-uneven', 'H.', { uneven: true }),
    ],
  }
  const ids = (subject: string | null, part: PartKind, about: string, tier: Tier): string[] =>
    phrasesFor(book, subject, { part, about }, { tier }).map((each) => each.id)
  it('a subject’s own outcomes go before those for any; other parts may be of both, and may speak in general', () => {
    expect(ids('sums', 'outcome', 'Number', 'top')).toEqual(['own'])
    expect(ids('sums', 'outcome', 'Number', 'sound')).toEqual(['shared'])
    expect(ids('sums', 'next step', 'Number', 'sound')).toEqual(['step', 'any-step'])
    expect(ids('sums', 'habit', 'care', 'sound')).toEqual(['habit'])
  })
  it('of an uneven strand only what is written for one, in the subject’s own words or in any’s', () => {
    const uneven = (tier: Tier): string[] =>
      phrasesFor(book, 'sums', { part: 'outcome', about: 'Number' }, { tier, uneven: true }).map((each) => each.id)
    expect([uneven('growing'), uneven('sound'), uneven('top')]).toEqual([
      ['own-uneven', 'any-uneven'],
      ['any-uneven'],
      ['any-uneven'],
    ])
    expect(ids('sums', 'outcome', 'any', 'growing')).toEqual([])
  })
  it('what is written for any subject is not given where a subject has advice enough of its own', () => {
    const steps = (own: number): string[] => {
      const ofSubject = Array.from({ length: own }, (_, nth) =>
        phrase(`step ${nth}`, 'C.', { subject: 'sums', part: 'next step' }),
      )
      const more = { describing, phrases: [...ofSubject, phrase('any-step', 'D.', { part: 'next step' })] }
      return phrasesFor(more, 'sums', { part: 'next step', about: 'Number' }, { tier: 'top' }).map(({ id }) => id)
    }
    expect([steps(3).includes('any-step'), steps(4).includes('any-step')]).toEqual([true, false])
  })
  it('the general comment says of what serves every subject only what speaks of a habit', () => {
    expect(ids(null, 'next step', 'care', 'sound')).toEqual(['habit-step'])
    expect(ids(null, 'next step', 'any', 'sound')).toEqual([])
  })
})

describe('coverage', () => {
  it('counts wordings at the tiers that the school’s scales use, and marks where they are few', () => {
    const record = exampleClass()
    const box = record.boxes.find((each) => each.key === 'sums')
    if (!box) throw new Error('no box')
    const rows = phraseCoverage(record, {
      ...box,
      plan: readPlan('outcome Number; outcome mark when high; progress; next step'),
    })
    const cells = Object.fromEntries(
      rows.map((row) => [
        `${row.part} ${row.about}`,
        row.cells.map((cell) => `${cell.as} ${cell.wordings}${cell.thin ? ' thin' : ''}`),
      ]),
    )
    expect(cells).toEqual({
      'outcome Number': ['top 1', 'strong 0', 'sound 1', 'growing 0', 'starting 1', 'uneven 1'],
      'outcome mark': ['top 1', 'strong 0'],
      // The mark is an outcome of this plan, so it may turn out the weakest, or what moved.
      'progress mark': ['top 0 thin', 'strong 0 thin', 'sound 0 thin', 'growing 0 thin'],
      'next step mark': ['top 0 thin', 'strong 0 thin', 'sound 0 thin', 'growing 0 thin', 'starting 0 thin'],
      // Nobody climbs to the lowest tier.
      'progress Number': ['top 0', 'strong 0', 'sound 0', 'growing 0'],
      'next step Number': ['top 0 thin', 'strong 0 thin', 'sound 0 thin', 'growing 0 thin', 'starting 0 thin'],
    })
  })
})

describe('coverage of a fuller book', () => {
  /** What has words of its own is told by them, and no place of it is thin. */
  const wordless = exampleClass().skills.map((skill) => ({ ...skill, familyWords: '', does: '' }))
  const times = (many: number, id: string, more: Parameters<typeof phrase>[2]) =>
    Array.from({ length: many }, (_, nth) => phrase(`${id}${nth}`, `Words ${nth}.`, more))
  const cellsOf = (
    phrases: ReturnType<typeof phrase>[],
    plan: string,
    subject: string | null = 'sums',
    change = {},
  ) => {
    const record = exampleClass({ phrasebook: { describing, phrases }, ...change })
    const box = { key: 'b', name: 'B', subject, limit: 300, tone: '', plan: readPlan(plan) }
    const told = ({ as, wordings, thin }: { as: string; wordings: number; thin: boolean }): string =>
      `${as} ${wordings}${thin ? ' thin' : ''}`
    return Object.fromEntries(
      phraseCoverage(record, box).map((row) => [`${row.part} ${row.about}`, row.cells.map(told).join(', ')]),
    )
  }

  it('four wordings are enough for an outcome, two for progress, and only what tells of a climb counts there', () => {
    const phrases = [
      ...times(4, 'top', { about: 'Number', tiers: ['top'] }),
      ...times(3, 'sound', { about: 'Number', tiers: ['sound'] }),
      ...times(2, 'up', { part: 'progress', moves: ['up'], tiers: ['top'] }),
      ...times(3, 'down', { part: 'progress', moves: ['down'], tiers: ['sound'] }),
      ...times(1, 'either', { part: 'progress', tiers: ['sound'] }),
    ]
    const [marks, levels] = exampleClass().scales
    const scales = [{ ...marks, levels: [] }, levels]
    expect(cellsOf(phrases, 'outcome Number; progress Number', 'sums', { scales, skills: wordless })).toEqual({
      'outcome Number': 'top 4, growing 0 thin, starting 0 thin, uneven 0 thin',
      'progress Number': 'top 2, growing 0 thin',
    })
    expect(cellsOf(phrases, 'progress Number', 'sums', { skills: wordless })['progress Number']).toBe(
      'top 2, strong 0 thin, sound 1 thin, growing 0 thin',
    )
  })
  it('an uneven strand has enough when each level at which its weakest skill can stand has', () => {
    const uneven = (tiersOf: Tier[][]) =>
      tiersOf.flatMap((some, nth) => times(4, `u${nth}`, { about: 'Number', uneven: true, tiers: some }))
    const told = (tiersOf: Tier[][], change = {}) => {
      const cells = cellsOf(uneven(tiersOf), 'outcome Number', 'sums', { skills: wordless, ...change })
      return cells['outcome Number']?.split(', ').at(-1)
    }
    expect(told([['starting'], ['growing'], ['sound']])).toBe('uneven 12')
    expect(told([['starting'], ['growing']])).toBe('uneven 8 thin')
    expect(told([['starting', 'growing', 'sound', 'top']])).toBe('uneven 4')
    // One skill alone, or none beside a teacher's own, lies far apart from nothing.
    const skills = wordless
    expect(told([['starting']], { skills: skills.slice(1) })).toBe('starting 0 thin')
    const elsewhere = skills.map((skill, nth) => ({ ...skill, subject: nth === 0 ? 'sums' : 'art' }))
    expect(told([['starting']], { skills: elsewhere })).toBe('starting 0 thin')
  })
  it('a part that names nothing is listed for each strand, or in the general comment for each habit', () => {
    const { skills, habits } = exampleClass()
    const more = [
      ...skills,
      { ...skills[0], id: 'x', strand: 'Shapes' },
      { ...skills[0], id: 'y', strand: 'Paint', subject: 'art' },
      { ...skills[0], id: 'z', strand: 'Secret', teacherOnly: true },
    ]
    expect(Object.keys(cellsOf([], 'next step', 'sums', { skills: more }))).toEqual([
      'next step Number',
      'next step Shapes',
    ])
    const two = [...habits, { ...habits[0], key: 'ready' }]
    expect(Object.keys(cellsOf([], 'next step', null, { habits: two }))).toEqual(['next step care', 'next step ready'])
    expect(Object.keys(cellsOf([], 'habit care; outcome strongest; next step', null, { habits: two }))).toEqual([
      'habit care',
      'outcome care',
      'next step care',
    ])
  })
  it('a condition leaves out the levels at which it never holds', () => {
    const told = (when: string) => cellsOf([], `habit care ${when}`, null)['habit care']?.replaceAll(' 0', '') ?? 'none'
    expect(['', 'when high', 'when low', 'when high or low', 'when moved', 'when up'].map(told)).toEqual([
      'top, growing, starting',
      'top',
      'growing, starting',
      'top, growing, starting',
      'top, growing, starting',
      'top, growing, starting',
    ])
  })
  it('what is told as uneven is told so at any level', () => {
    const phrases = [
      ...times(1, 'u', { about: 'Number', uneven: true, tiers: ['growing'] }),
      ...times(1, 'p', { about: 'Number', tiers: ['growing'] }),
    ]
    const place = { part: 'outcome', about: 'Number' } as const
    const ids = (as: Tier | 'uneven') =>
      phrasesToldAs({ phrasebook: { describing, phrases }, skills: exampleClass().skills }, 'sums', place, as).map(
        ({ id }) => id,
      )
    expect([ids('uneven'), ids('growing'), ids('top')]).toEqual([['u0'], ['p0'], []])
  })
})

it('counts phrases in texts that stand: by themselves, with what they tell, by how they begin, and by tier', () => {
  const because = [{ kind: 'mark' as const, about: 'mark', text: '', tier: 'top' as const, termId: 't' }]
  const comment = {
    studentId: '1',
    box: 'b',
    text: '',
    ownWords: false,
    status: 'in draft' as const,
    version: 1,
    sentences: [{ start: 0, end: 0, composed: '', parts: ['opening'], phraseIds: ['o'], because }],
  }
  const book = {
    describing: { top: [], strong: [], sound: [], growing: [], starting: [] },
    phrases: [phrase('o', 'It has been a good term.', { part: 'opening' })],
  }
  const { usage } = classmatesOfComments([comment, { ...comment, studentId: '2' }], { phrasebook: book, students: [] })
  const found = [
    usage.ofPhrase(nameNumber('o')),
    usage.ofFrame(nameNumber(frameKey('it has been'))),
    usage.at('top')?.of(nameNumber('o')),
  ]
  expect([...found, usage.telling(['opening']).get('o'), usage.at('sound')]).toEqual([2, 2, 2, 2, null])
})

it.each([
  ['outcome Shapes', /no strand “Shapes”/],
  ['habit Speed', /no habit “Speed”/],
  ['next step Nowhere', /no strand/],
  ['outcome strongest [at most 1]', /“outcome strongest” tells one thing/],
  ['next step [at most 2]; habit care [at most 1]', /“next step” tells one thing.*“habit care” tells one thing/],
  ['outcome Number [at most 1]; habit each [at most 2]', /^$/],
  ['outcome Number; habit care; progress; next step care; help at home', /^$/],
])('a plan “%s” is looked through for what is not there', (plan, message) => {
  const { skills, habits } = exampleClass()
  expect(planProblems({ subject: 'sums', plan: readPlan(plan) }, skills, habits).join(' ')).toMatch(message)
})
it('a strand of another subject is not there, and an outcome is never of a habit', () => {
  const { skills, habits } = exampleClass()
  const problems = (plan: string, subject: string | null) =>
    planProblems({ subject, plan: readPlan(plan) }, skills, habits)
  expect(problems('outcome Number', 'art')).toEqual(['There is no strand “Number” in this subject.'])
  expect(problems('outcome care', 'sums')).toEqual(['There is no strand “care” in this subject.'])
  expect(problems('outcome mark', 'sums')).toEqual([])
  expect(problems('habit care; closing', null)).toEqual([])
})
it('a general comment has no mark to speak of', () => {
  expect(planProblems({ subject: null, plan: readPlan('outcome mark') }, [], [])).toEqual([
    'The general comment has no mark to speak of.',
  ])
})
