import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { phrase, requestOf } from '../../../tests/exampleDraft'
import { tierRank, tiers, type Tier } from '../../scales/tier'
import type { RatedFact } from '../because'
import { parsePhrase } from '../notation'
import { claimedBy } from '../openParts'
import { skillWords } from '../skillWords'
import { levelAsPast, levelAsVerb } from './levelAsVerb'
import { readPlan } from '../plan'
import { readyPhrase } from '../readyPhrase'
import { manners } from './manners'
import { mostTelling, untoldByNumber } from './mostTelling'
import { planTold, weightOf, type Telling } from './planTold'
import { wordingsOf } from './sayTold'
import type { ToldSetting } from './toldWording'

// The scale and the shapes are those of the project's own account of a comment's voice, with its facts.
const says: Record<Tier, string> = {
  top: 'Can show others how.',
  strong: 'Does this with confidence.',
  sound: 'Does this as expected.',
  growing: 'Does this in part, or with help.',
  starting: 'Has made a start and needs help.',
}
const often: Record<Tier, string> = {
  ...{ top: 'Nearly always', strong: 'Often', sound: 'Mostly', growing: 'Sometimes', starting: 'Seldom' },
}

function fact(about: string, tier: Tier, before: Tier | null = null, kind: RatedFact['kind'] = 'skill'): RatedFact {
  const levelOf = (at: Tier) => ({
    ...{ symbol: at, name: kind === 'habit' ? often[at] : at, familySentence: says[at], tier: at },
    lowestPercent: null,
  })
  return {
    ...{ kind, about, strand: kind === 'skill' ? 'Number' : null, familyWords: about, words: skillWords(about) },
    ...{ level: levelOf(tier), before: before && levelOf(before) },
    moved: before ? tierRank(tier) - tierRank(before) : 0,
    because: { kind: 'skill level', about: `level of ${about}`, text: about, tier, termId: 't' },
  }
}

const skills = ['Adds large numbers', 'Draws and reads graphs', 'Explains why a method works', 'Sorts materials']
const setting = (facts: readonly RatedFact[]): ToldSetting => ({
  ...{ subject: 'mathematics', termBefore: 'the autumn', of: facts.length, rated: facts.length },
  up: facts.filter(({ moved }) => moved > 0).length,
  down: facts.filter(({ moved }) => moved < 0).length,
  low: facts.filter(({ level }) => tierRank(level.tier) < tierRank('sound')).length,
})
const wordings = (telling: Telling, facts: readonly RatedFact[]): string[] =>
  wordingsOf(telling, setting(facts)).map(({ text }) => text)
const relations = (facts: readonly RatedFact[]): string[] =>
  planTold(facts, 'seed').map((each) => `${each.relation}: ${each.facts.map(({ about }) => about).join(', ')}`)

describe('of how many a plan has told', () => {
  const facts = [
    fact('Adds large numbers', 'sound', 'sound'),
    fact('Draws and reads graphs', 'sound', 'growing'),
    fact('Explains why a method works', 'top', 'top'),
    fact('Sorts materials', 'growing', 'growing'),
    fact('Works with others', 'sound', null, 'habit'),
  ]
  const [still, moved, best, lowest, habit] = facts
  it('the lowest and the best first, then what moved, then the child’s middle', () => {
    expect([1, 2, 3, 4].map((most) => mostTelling(facts.slice(0, 4), most, '').at(-1))).toEqual([
      lowest,
      best,
      moved,
      still,
    ])
  })
  it('each part by itself; and what any part tells is told', () => {
    const untold = (plan: string) => [...untoldByNumber(readPlan(plan), facts, '')]
    expect(untold('outcome each [at most 2]; habit each')).toEqual([still, moved])
    expect(untold('outcome each [at most 1]; outcome Number [at most 2]; habit each [at most 1]')).toEqual([
      still,
      moved,
    ])
    expect(untold('outcome each; habit each')).toEqual([])
    expect(untold('outcome each [at most 9]; habit care [at most 1]')).not.toContain(habit)
  })
})

describe('what is told together', () => {
  it('what stands above all else first, what moved by itself, what fell late, the lowest last', () => {
    const facts = [
      fact('Adds large numbers', 'strong', 'strong'),
      fact('Draws and reads graphs', 'strong', 'strong'),
      fact('Explains why a method works', 'top', 'top'),
      fact('Sorts materials', 'sound', 'strong'),
      fact('Plans a fair test', 'growing', 'growing'),
    ]
    const [first, , ...others] = relations(facts)
    expect(first).toBe('stands out: Explains why a method works')
    expect(others).toEqual(['down: Sorts materials', 'level: Plans a fair test'])
  })
  it('all at one level in one sentence; three at most else, and what is a list stands alone', () => {
    expect(relations(skills.map((skill) => fact(skill, 'top', 'top')))[0]).toMatch(/^all at one level/)
    const many = [...skills, 'Writes to explain, with facts', 'Plans a test'].map((skill) => fact(skill, 'sound'))
    const told = planTold([...many, fact('Spells common words', 'growing')], 'seed')
    expect(Math.max(...told.map((each) => each.facts.length))).toBeLessThanOrEqual(3)
    const list = told.find(({ facts }) => facts.some(({ about }) => about.includes(',')))
    expect(list?.facts).toHaveLength(1)
  })
  it('what is the best, or all, of everything that was looked at, told or not', () => {
    const told = skills.map((skill) => fact(skill, 'sound'))
    const other = fact('Plans a fair test', 'top')
    expect(planTold(told, 'seed', [...told, other]).map(({ relation }) => relation)).not.toContain('all at one level')
    const [first, ...others] = [fact('Reads aloud', 'strong'), ...told]
    const best = (rated: readonly RatedFact[]) => planTold([first, ...others], 'seed', rated)[0]?.relation
    expect([best([first, ...others]), best([first, ...others, other])]).toEqual(['stands out', 'level'])
  })
  it('two scores of habits in one sentence, one that has moved by itself', () => {
    const habits = [
      fact('Works with others', 'top', 'top', 'habit'),
      fact('Comes ready', 'strong', 'strong', 'habit'),
      fact('Asks questions', 'growing', 'starting', 'habit'),
    ]
    expect(planTold(habits, 'seed').map(({ facts }) => facts.length)).toEqual([2, 1])
  })
  it('what moved weighs twice what stands apart, whichever way; and what weighs most is told first', () => {
    const middle = tierRank('sound')
    const [still, rose, fell] = [fact('A', 'top'), fact('B', 'top', 'sound'), fact('C', 'starting', 'strong')]
    expect([still, rose, fell].map((each) => weightOf(each, middle))).toEqual([2, 6, 2 + 2 * 3])
    const facts = [
      fact('Reads aloud', 'sound', 'growing'),
      fact('Draws maps', 'strong', 'starting'),
      fact('Plans tests', 'strong', 'strong'),
      fact('Sorts shells', 'strong', 'top'),
      fact('Counts on', 'growing', 'starting'),
      fact('Measures', 'growing', 'growing'),
    ]
    expect(relations(facts)).toEqual([
      ...['up: Draws maps', 'up: Reads aloud', 'down: Sorts shells', 'up: Counts on'],
      'strength and difficulty: Plans tests, Measures',
    ])
  })
  it('“all” is said of three or more', () => {
    const alike = (count: number) => skills.slice(0, count).map((skill) => fact(skill, 'sound'))
    expect([2, 3].map((count) => planTold(alike(count), 'seed')[0]?.relation)).toEqual(['level', 'all at one level'])
  })
  it('two scores of habits in a sentence and no third, four habits and no fifth', () => {
    const sizes = (...scores: Tier[]) =>
      planTold(
        scores.map((score, nth) => fact(`Works ${'abcde'[nth]}`, score, null, 'habit')),
        'seed',
      ).map(({ facts }) => facts.length)
    expect(sizes('top', 'strong', 'growing')).toEqual([2, 1])
    expect(sizes('top', 'top', 'growing', 'growing')).toEqual([4])
    expect(sizes('top', 'top', 'top', 'growing', 'growing')).toEqual([3, 2])
  })
  it('everything once, whatever there is; the lowest skill in the last sentence about skills', () => {
    const anyTier = fc.constantFrom(...tiers)
    const anyFact = fc.record({ tier: anyTier, before: fc.option(anyTier), habit: fc.boolean() })
    fc.assert(
      fc.property(fc.array(anyFact, { minLength: 1, maxLength: 9 }), fc.string(), (given, seed) => {
        const facts = given.map(({ tier, before, habit }, nth) =>
          fact(`Works on thing ${'abcdefghi'[nth]}`, tier, before, habit ? 'habit' : 'skill'),
        )
        const told = planTold(facts, seed)
        const abouts = told.flatMap((each) => each.facts.map(({ about }) => about))
        expect(abouts.toSorted()).toEqual(facts.map(({ about }) => about).toSorted())
        const ranks = told
          .filter(({ facts: [first] }) => first?.kind === 'skill')
          .map(({ facts: some }) => Math.min(...some.map(({ level }) => tierRank(level.tier))))
        if (ranks.length > 0 && Math.min(...ranks) < tierRank('sound')) expect(ranks.at(-1)).toBe(Math.min(...ranks))
        for (const telling of told) trueOf(telling, facts)
      }),
      { numRuns: 200 },
    )
  })
})

/** Each wording can be read, names what it tells, and claims no move and no earlier term that was not. */
function trueOf(telling: Telling, facts: readonly RatedFact[]): void {
  const all = wordings(telling, facts)
  expect(all.length).toBeGreaterThan(0)
  for (const text of all) {
    expect(() => parsePhrase(text)).not.toThrow()
    const moved = telling.facts.some((each) => each.moved !== 0)
    if (!moved) expect(text).not.toMatch(/\bnow\b|\bstep\b/)
    if (/as in the autumn/.test(text))
      expect(telling.facts.every(({ level, before }) => before?.tier === level.tier)).toBe(true)
    if (telling.relation !== 'all at one level')
      for (const { about } of telling.facts) expect(text).toContain(about.split(' ').at(-1))
  }
}

describe('in which words', () => {
  it('a level in the words of the school where they bear it out, and never in those of another', () => {
    const one = fact('Sorts materials', 'strong')
    const told: Telling = { relation: 'level', facts: [one] }
    expect(wordings(told, [one])).toContain('{They} {sorts} materials with confidence')
    const plain = { ...one, level: { ...one.level, familySentence: 'Goes well.' } }
    expect(wordings({ ...told, facts: [plain] }, [plain]).join(' ')).not.toMatch(/confiden/)
  })
  it('a manner does not hang behind a skill that ends in a clause', () => {
    const one = fact('Explains why a method works', 'strong')
    expect(wordings({ relation: 'level', facts: [one] }, [one]).join('; ')).not.toMatch(/works (well|capably|with)/)
  })
  it('a rise with where it stood and where it stands', () => {
    const one = fact('Explains why a method works', 'top', 'sound')
    const all = wordings({ relation: 'up', facts: [one] }, [one])
    expect(all).toContain(
      'Explaining why a method works has gone up two steps: '.concat(
        '{they} did this as expected in the autumn, and now can show others how',
      ),
    )
    expect(all).toContain('{They} can now show others how to explain why a method works, two steps up from the autumn')
  })
  it('a strength and a difficulty as one, the only difficulty as that', () => {
    const facts = [...skills.slice(0, 2).map((skill) => fact(skill, 'strong')), fact('Sorts materials', 'growing')]
    const [high, , low] = facts
    if (!high || !low) throw new Error('no facts')
    const all = wordings({ relation: 'strength and difficulty', facts: [high, low] }, facts)
    expect(all).toContain('{They} {is} strong in adding large numbers, but {is} learning to sort materials')
    expect(all).toContain('{Name}, who {is} strong in adding large numbers, {is} learning to sort materials')
    expect(all).toContain(
      '{They} {is} strong in adding large numbers; of the three skills, only one is not yet in place: sorting materials',
    )
  })
  it('two levels that point the same way, as they stood or as far as both have moved', () => {
    const told = (facts: RatedFact[], all = facts) => wordings({ relation: 'two levels', facts }, all)
    const stood = [fact('Adds large numbers', 'strong', 'strong'), fact('Sorts materials', 'sound', 'sound')]
    expect(told(stood)).toContain(
      '{They} {is} good at adding large numbers, and {sorts} materials as expected, both as in the autumn',
    )
    const rose = [fact('Adds large numbers', 'top', 'strong'), fact('Sorts materials', 'strong', 'sound')]
    expect(relations(rose)).toEqual(['two levels: Adds large numbers, Sorts materials'])
    expect(told(rose).filter((each) => !/^Two skills have gone up a step|, each a step up from/.test(each))).toEqual([])
    expect(told(rose).join()).toMatch(/\{They\} can now show others how to add large numbers, and /)
    expect(told(rose, [...rose, fact('Plans a fair test', 'top', 'strong')]).join()).not.toMatch(/Two skills/)
    // What points two ways, or has moved by more than the other, is told apart.
    expect(relations([fact('Adds large numbers', 'sound'), fact('Sorts materials', 'growing')])).toHaveLength(2)
    expect(
      relations([fact('Adds large numbers', 'top', 'sound'), fact('Sorts materials', 'strong', 'sound')]),
    ).toHaveLength(2)
  })
  it('habits by the word of their score', () => {
    const habits = [fact('Works with others', 'strong', null, 'habit'), fact('Comes ready', 'growing', null, 'habit')]
    const all = wordings({ relation: 'habits', facts: habits }, habits)
    expect(all).toContain('{They} often {works} with others, but only sometimes {comes} ready')
    expect(all).toContain('Often {they} {works} with others; sometimes {they} {comes} ready')
  })
  it('what is not done, or seldom, with “or”: with “and” the second would be praise', () => {
    const habit = (about: string, tier: Tier) => fact(about, tier, null, 'habit')
    const seldom = [habit('Works with others', 'starting'), habit('Asks and listens', 'starting')]
    expect(wordings({ relation: 'habits', facts: seldom }, seldom)).toEqual([
      '{They} seldom {works} with others, or {asks} and {listens}',
      'It is seldom that {they} {works} with others, or {asks} and {listens}',
    ])
    const mixed = [habit('Comes ready', 'strong'), habit('Works', 'growing'), habit('Listens', 'growing')]
    const all = wordings({ relation: 'habits', facts: mixed }, mixed)
    expect(all).toContain('{They} often {comes} ready, but only sometimes {works} or {listens}')
    expect(all).toContain('Often {they} {comes} ready; sometimes {they} {works} and {listens}')
    const growing = [fact('Sorts materials', 'growing'), fact('Draws graphs', 'growing')]
    expect(wordings({ relation: 'level', facts: growing }, growing)).toContain(
      '{They} {does} not yet fully sort materials or draw graphs',
    )
  })
  it('a level as a verb, with each of its verbs, and in the past only where it is one', () => {
    expect(levelAsVerb({ familySentence: 'Has made a start and needs help with this.' }, 2)).toBe(
      '{has} made a start and {needs} help with both',
    )
    expect(levelAsPast({ familySentence: 'Has made a start and needs help with this.' }, 1)).toBeNull()
    expect(levelAsVerb({ familySentence: 'Well done!' }, 1)).toBeNull()
  })
  it('at least a dozen manners for each tier', () => {
    expect(tiers.map((tier) => manners[tier].length).filter((count) => count < 12)).toEqual([])
  })
})

it('what a phrase claims is read beside the words of the skills that this class has, whatever another has had', () => {
  const shells = readyPhrase(phrase('s', '{They} {sorts} shells.', { about: 'Number', claims: null }))
  const { facts } = requestOf({})
  const claims = (skill: string) => claimedBy(shells, { ...facts, rated: [fact(skill, 'sound')] })
  expect([claims('Sorts shells by size'), claims('Adds large numbers')]).toEqual(['level', 'particular'])
})
