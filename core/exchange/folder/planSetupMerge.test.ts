import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../../tests/exampleClass'
import { phrase } from '../../../tests/exampleDraft'
import { readPlan, writePlan } from '../../narrative/plan'
import { planSetupMerge, type MergeableSetup } from './planSetupMerge'

// Written by hand before the code: what a colleague's set-up brings, and what it may not touch.
const ours = (): MergeableSetup => {
  const { scales, subjects, skills, habits, boxes } = exampleClass()
  return { scales, subjects, skills, habits, boxes, phrases: [phrase('p1', '{They} {adds}.', { about: 'Number' })] }
}
/** Another school's: its keys are its own, and mean other things. */
const theirs = (more: Partial<MergeableSetup> = {}): MergeableSetup => {
  const { scales, subjects, skills, habits } = ours()
  const [subject] = subjects
  const [skill] = skills
  const [habit] = habits
  if (!subject || !skill || !habit) throw new Error('nothing to change')
  return {
    scales: scales.map((scale) => ({ ...scale, key: `t-${scale.key}` })),
    subjects: [
      { ...subject, key: 'a', name: subject.name.toUpperCase(), strandNames: { N: 'number' } },
      {
        ...subject,
        key: 'sums',
        name: 'Drama',
        markScale: `t-${subject.markScale}`,
        skillScale: `t-${subject.skillScale}`,
      },
    ],
    skills: [
      { ...skill, id: 's9', subject: 'a', strand: 'N' },
      { ...skill, id: 's1', subject: 'a', strand: 'N', statement: 'Counts stars' },
      { ...skill, id: 's2', subject: 'sums', strand: 'Voice', statement: 'Speaks up' },
    ],
    habits: [
      { ...habit, key: 'h', name: `${habit.name} ` },
      { ...habit, key: habit.key, name: 'Singing along', scale: `t-${habit.scale}` },
    ],
    boxes: [
      { key: 'sums', name: 'Numbers', subject: 'a', limit: 90, tone: '', plan: readPlan('outcome N; habit h') },
      { key: 'd', name: 'Drama', subject: 'sums', limit: 90, tone: '', plan: readPlan('outcome Voice') },
    ],
    phrases: [
      phrase('p1', '{They} {counts}.', { subject: 'a', about: 'N' }),
      phrase('p2', '{They} {speaks} up.', { subject: 'sums', about: 'Voice' }),
      phrase('p3', '{They} {cares}.', { part: 'habit', subject: 'any', about: 'h' }),
      phrase('p4', '{They} {adds}.', { about: 'Number' }),
    ],
    ...more,
  }
}

describe('what another’s set-up brings', () => {
  it('is nothing where it is the same', () => {
    const { same, without, ...brings } = planSetupMerge(ours(), ours(), new Set())
    const { scales: _scales, ...things } = ours()
    expect(Object.values(brings).flat()).toEqual([])
    expect([same, without]).toEqual([Object.values(things).flat().length, []])
  })

  it('is what this one lacks, under keys that are free, and speaks of strands and habits as they are here', () => {
    const found = planSetupMerge(ours(), theirs(), new Set())
    const sums = ours().subjects[0]?.key
    const habit = ours().habits[0]?.key
    expect(found.skills.map(({ id, subject, strand, statement }) => [id, subject, strand, statement])).toEqual([
      [`${sums}-skill`, sums, 'Number', 'Counts stars'],
    ])
    expect(found.habits.map(({ key, name }) => [key, name])).toEqual([['singing-along', 'Singing along']])
    expect(found.boxes.map(({ key, subject, plan }) => [key, subject, writePlan(plan)])).toEqual([
      ['numbers', sums, `outcome Number; habit ${habit}`],
    ])
    expect(found.phrases.map(({ id, subject, about }) => [id, subject, about])).toEqual([
      ['p1-new', sums, 'Number'],
      ['p3', 'any', habit],
    ])
    expect(found.scales).toEqual([])
  })

  it('leaves out what belongs to a subject that is lacking, with one warning', () => {
    expect(planSetupMerge(ours(), theirs(), new Set()).without).toEqual([{ key: 'sums', name: 'Drama', things: 3 }])
  })

  it('brings that subject along where it is wanted, under a key of its own', () => {
    const found = planSetupMerge(ours(), theirs(), new Set(['sums']))
    const like = ours().subjects[0]
    expect(found.subjects.map(({ key, name, markScale, skillScale }) => [key, name, markScale, skillScale])).toEqual([
      ['drama', 'Drama', like?.markScale, like?.skillScale],
    ])
    const ofDrama = [...found.skills, ...found.boxes, ...found.phrases].filter(({ subject }) => subject === 'drama')
    expect([ofDrama.length, found.without]).toEqual([3, []])
    expect(found.skills.find(({ subject }) => subject === 'drama')?.id).toBe('drama-skill')
  })

  it('brings along what holds in some grades, on the scales that are here', () => {
    const grades = { from: 1, to: 3 }
    const other = theirs()
    const [markScale, skillScale] = [`t-${ours().subjects[0]?.markScale}`, `t-${ours().subjects[0]?.skillScale}`]
    const subjects = other.subjects.map((each) => ({
      ...each,
      markScaleByGrade: [{ grades, is: markScale }],
      skillScaleByGrade: [{ grades, is: skillScale }],
    }))
    const [drama] = planSetupMerge(ours(), { ...other, subjects }, new Set(['sums'])).subjects
    expect([drama?.markScaleByGrade, drama?.skillScaleByGrade]).toEqual([
      [{ grades, is: ours().subjects[0]?.markScale }],
      [{ grades, is: ours().subjects[0]?.skillScale }],
    ])
  })

  it('brings a scale that is called otherwise, once', () => {
    const other = theirs()
    const renamed = { ...other, scales: other.scales.map((scale) => ({ ...scale, name: `${scale.name}, theirs` })) }
    const found = planSetupMerge(ours(), renamed, new Set(['sums']))
    const [subject] = found.subjects
    expect(found.scales.map(({ key }) => key)).toContain(subject?.markScale)
    expect(found.scales.map(({ key }) => key)).toContain(found.habits[0]?.scale)
    expect(new Set(found.scales.map(({ key }) => key)).size).toBe(found.scales.length)
  })

  it('brings nothing the second time', () => {
    const first = planSetupMerge(ours(), theirs(), new Set(['sums']))
    const here = ours()
    const after = {
      scales: [...here.scales, ...first.scales],
      subjects: [...here.subjects, ...first.subjects],
      skills: [...here.skills, ...first.skills],
      habits: [...here.habits, ...first.habits],
      boxes: [...here.boxes, ...first.boxes],
      phrases: [...here.phrases, ...first.phrases],
    }
    const { same: _same, ...brings } = planSetupMerge(after, theirs(), new Set(['sums']))
    expect(Object.values(brings).flat()).toEqual([])
  })
})
