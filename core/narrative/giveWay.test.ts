import { describe, expect, it } from 'vitest'
import { phrase, requestOf, smallBook, standing } from '../../tests/exampleDraft'
import { tiers, type Tier } from '../scales/tier'
import { draftComment } from './draftComment'
import type { Wish } from './draftRequest'
import { markAgainstLevels } from './markAgainstLevels'
import { readPlan } from './plan'

describe('where there is no room', () => {
  const book = {
    ...smallBook,
    phrases: [
      phrase('o', 'This term had many days.', { part: 'opening' }),
      phrase('n', '{They} {counts} with care.', { about: 'Number' }),
      phrase('p', 'Much has moved on lately.', { part: 'progress', about: 'Number' }),
      phrase('s', 'A next step is fractions.', { part: 'next step' }),
      phrase('h', 'At home, play some cards.', { part: 'help at home' }),
      phrase('c', 'Thank you for your help.', { part: 'closing' }),
    ],
  }
  const usual = 'opening; outcome Number; progress Number; next step Number; help at home Number; closing'
  const draft = (limit: number, plan = usual) => {
    const request = requestOf({ standings: [standing('Number', 'sound', 'growing')], limit })
    return draftComment({ ...request, box: { ...request.box, limit, plan: readPlan(plan) } }, book)
  }
  const orderIn = (plan: string): string[] => {
    const gone = new Set<string>()
    for (let limit = draft(400, plan).text.length; limit > 20; limit -= 1)
      draft(limit, plan).leftOut.forEach(({ part }) => gone.add(part))
    return [...gone]
  }
  it('the closing gives way first, then the opening, help at home, what has moved; the outcome stays', () => {
    const whole = draft(400)
    expect(whole.leftOut).toEqual([])
    expect(orderIn(usual).slice(0, 4)).toEqual(['closing', 'opening', 'help at home', 'progress'])
    expect(draft(30).text).toMatch(/counts with care/)
  })
  it('and so it is behind six sentences, but not in a text that stands or was asked to be longer', () => {
    const texts = {
      Measuring: '{They} {weighs} apples.',
      Shape: 'Often {they} {builds} towers.',
      Data: 'Today {they} {reads} charts.',
    }
    const abouts = Object.keys(texts)
    const more = Object.entries(texts).map(([about, text]) => phrase(about, text, { about }))
    const standings = ['Number', ...abouts].map((about) => standing(about, 'sound'))
    const plan = readPlan(`opening; outcome Number; ${abouts.map((about) => `outcome ${about}`).join('; ')}; closing`)
    const request = requestOf({ standings })
    const long = { ...request, box: { ...request.box, limit: 900, plan } }
    const eight = { ...long, box: { ...long.box, plan: [...plan, ...readPlan('next step; help at home')] } }
    const phrases = [...book.phrases, ...more].map((each) => ({
      ...each,
      about: each.part === 'outcome' ? each.about : 'any',
    }))
    const write = (asked: typeof eight & { wish?: Wish }) => draftComment(asked, { ...book, phrases }).sentences.length
    expect([write(long), write(eight), write({ ...eight, wish: { shown: new Map() } })]).toEqual([6, 6, 6])
    expect(write({ ...eight, wish: { atLeast: 100 } })).toBe(8)
    expect(write({ ...eight, standing: new Set(phrases.map(({ id }) => id)) })).toBe(8)
  })
  it('what a plan says may be said goes before all else, what must be said stays', () => {
    const plan = usual
      .replace('progress Number', 'progress Number [may]')
      .replace('next step Number', 'next step Number [must]')
    expect(orderIn(plan).slice(0, 3)).toEqual(['progress', 'closing', 'opening'])
    expect(draft(30, plan).text).toBe('A next step is fractions.')
  })
})

describe('mark and levels', () => {
  const tells = (mark: Tier, ...levels: Tier[]): boolean =>
    markAgainstLevels({ mark: standing('mark', mark), standings: levels.map((tier, nth) => standing(`s${nth}`, tier)) })
  it('differ from two tiers on, across the line between strength and difficulty, where every strand does', () => {
    expect(tells('growing', 'strong')).toBe(true)
    expect(tells('growing', 'sound')).toBe(false)
    expect(tells('starting', 'sound')).toBe(true)
    expect(tells('sound', 'top')).toBe(false)
    expect(tells('growing', 'strong', 'growing')).toBe(false)
    expect(tells('growing', 'strong', 'sound')).toBe(true)
  })
  it('are compared over all pairs of tiers', () => {
    const differing = tiers.flatMap((mark) =>
      tiers.filter((level) => tells(mark, level)).map((level) => `${mark} ${level}`),
    )
    expect(differing).toEqual([
      'starting sound',
      'starting strong',
      'starting top',
      'growing strong',
      'growing top',
      'sound starting',
      'strong starting',
      'strong growing',
      'top starting',
      'top growing',
    ])
  })
})
