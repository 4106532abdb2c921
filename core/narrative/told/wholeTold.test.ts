import { describe, expect, it } from 'vitest'
import { requestOf } from '../../../tests/exampleDraft'
import type { Because, SkillsInAll } from '../because'
import { skillsInAllTold } from './wholeTold'

const because = (about: string): Because => ({ kind: 'skill level', about, text: about, tier: null, termId: 't' })
const told = (counts: Partial<SkillsInAll>, termBefore: string | null = 'the autumn') => {
  const skills = {
    ...{ of: 9, up: 0, down: 0, secure: 0, strong: 0, because: because('moved') },
    ...{ becauseOfSecure: because('secure'), becauseOfStrong: because('strong'), ...counts },
  }
  const { facts } = requestOf({})
  return skillsInAllTold({ ...facts, whole: { best: [], subjects: ['art'], skills } }, termBefore)
}
const texts = (counts: Partial<SkillsInAll>, termBefore?: string | null) =>
  told(counts, termBefore)?.wordings.map(({ text }) => text) ?? []

describe('what the skills of all subjects add up to', () => {
  it('is told by what moved, by what is secure, by strengths, or by both of these, each with its own reason', () => {
    const all = told({ up: 1, secure: 7, strong: 2 })
    const reasons = new Map(
      all?.wordings.map(({ id, text }) => [text, all.becauseOf?.get(id)?.map(({ about }) => about)]),
    )
    expect(Object.fromEntries(reasons)).toMatchObject({
      'Since the autumn, {they} {has} gone up in one of the nine skills we looked at': ['moved'],
      'Of nine skills in all, seven are secure': ['secure'],
      'Two of the nine skills are strengths of {theirs}': ['strong'],
      '{They} {is} secure in seven of the nine skills, and two of them are strengths': ['secure', 'strong'],
    })
    expect([...reasons.values()].every((each) => each && each.length > 0)).toBe(true)
  })
  it('agrees with one as with several', () => {
    const one = texts({ secure: 9, strong: 1 })
    expect(one).toContain('All nine skills are secure, one of them a strength')
    expect(one).toContain('One of the nine skills is a strength of {theirs}')
    expect(one.filter((text) => /\bone\b.*\b(are|strengths)\b/i.test(text) && !/all nine|\ball\b/i.test(text))).toEqual(
      [],
    )
    expect(texts({ of: 45, secure: 32, strong: 19 }).filter((text) => /^\d/.test(text))).toEqual([])
    expect(texts({ of: 45, strong: 19 })).toContain('Nineteen of the 45 skills are strengths of {theirs}')
    expect(texts({ of: 45, secure: 32 })).toContain('Thirty-two of {their} 45 skills are secure; 13 are not yet')
    expect(texts({ secure: 8 })).toContain('Eight of {their} nine skills are secure; one is not yet')
  })
  it('is only what moved where much did, and nothing where nothing good can be said or too little is known', () => {
    expect(texts({ up: 3, secure: 9, strong: 4 }).every((text) => /\bup\b|further on|higher than/.test(text))).toBe(
      true,
    )
    expect(texts({ secure: 4 })).toEqual([])
    expect(texts({ up: 2 }, null)).toEqual([])
    expect(texts({ of: 3, up: 3, secure: 3 })).toEqual([])
  })
})
