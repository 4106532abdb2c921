import { describe, expect, it } from 'vitest'
import { phrase, requestOf, smallBook, standing } from '../../tests/exampleDraft'
import { she, they } from '../people/pronouns'
import type { StandingFact } from './because'
import { draftComment } from './draftComment'
import { readPlan } from './plan'
import { skillWords } from './skillWords'

// Skills for which nobody has written a phrase are told by their own words.
const own = (about: string, familyWords: string, tier: StandingFact['tier'] = 'growing'): StandingFact => {
  const words = skillWords(familyWords)
  if (!words) throw new Error('no words')
  const because = {
    kind: 'skill level' as const,
    about: `skills of ${about}`,
    text: words.doing,
    tier: null,
    termId: 't',
  }
  return { ...standing(about, tier), skills: { words, because } }
}
const book = {
  ...smallBook,
  phrases: [
    phrase('learning', '{They} {is} learning to {#do}.', { tiers: ['growing'] }),
    phrase('good', '{They} {is} good at {#doing}.', { tiers: ['strong'] }),
    phrase('does', '{They} {#does}, as we expect at this point.', { tiers: ['sound'] }),
    phrase('number-strong', 'Number is a strength.', { about: 'Number', tiers: ['strong'] }),
  ],
}
const told = (standings: StandingFact[], plan = 'outcome each', pronouns = she) => {
  const made = requestOf({ standings, pronouns })
  return draftComment({ ...made, box: { ...made.box, plan: readPlan(plan) } }, book)
}

describe('own skills', () => {
  it('are told in the forms that the sentence needs, with the verbs that follow its subject', () => {
    const graphs = own('Data', 'Draws and reads graphs', 'sound')
    const sums = own('Sums', 'Adds and subtracts', 'growing')
    expect(told([graphs]).text).toBe('Sam draws and reads graphs, as we expect at this point.')
    expect(told([sums, graphs], 'outcome Sums; outcome Data', they).text).toBe(
      'Sam is learning to add and subtract. They draw and read graphs, as we expect at this point.',
    )
    expect(told([own('Data', 'Draws and reads graphs', 'strong')]).text).toBe(
      'Sam is good at drawing and reading graphs.',
    )
  })

  it('rest on the skills that they name', () => {
    const [sentence] = told([own('Data', 'Draws graphs')]).sentences
    expect(sentence?.because.map((each) => each.about)).toContain('skills of Data')
  })

  it('give way to a phrase that the school has written, and are silent where no words are known', () => {
    expect(told([own('Number', 'Adds', 'strong')]).text).toBe('Number is a strength.')
    expect(told([standing('Data', 'growing')]).leftOut).toEqual([
      { part: 'outcome', about: 'Data', why: 'there is no phrase for it' },
    ])
  })

  it('“each” names every strand in the school’s order, and says what is missing where nothing is settled', () => {
    const each = told([own('Data', 'Draws graphs'), own('Sums', 'Adds'), own('Shape', 'Folds nets', 'strong')])
    expect(each.sentences.flatMap((sentence) => sentence.parts)).toEqual([
      'outcome Data',
      'outcome Sums',
      'outcome Shape',
    ])
    expect(told([]).leftOut).toEqual([{ part: 'outcome', about: 'each', why: 'nothing is settled' }])
  })

  it('may share their words, as skills of a subject do', () => {
    const skills = ['Adds fractions', 'Compares fractions', 'Orders fractions', 'Draws fractions']
    const levels = ['growing', 'growing', 'sound', 'strong'] as const
    const { leftOut } = told(skills.map((words, nth) => own(`Strand ${nth}`, words, levels[nth])))
    expect(leftOut).toEqual([])
  })
})
