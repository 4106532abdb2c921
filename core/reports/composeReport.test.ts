import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import type { ClassRecord } from '../record/classRecord'
import type { StudentMark } from '../record/termRecord'
import { indexRecord } from '../record/recordIndex'
import { composeReport } from './composeReport'
import { familyFacts } from './familyFacts'
import type { Block } from './document'
import type { Layout } from '../school/layout'

const blocksOf = (change: Partial<ClassRecord> = {}, nth = 0): Block[] => {
  const record = exampleClass(change)
  const student = record.students[nth]
  if (!student) throw new Error('no student')
  return composeReport(familyFacts(indexRecord(record), student), record.layout, '2027-03-15').blocks
}
const layout = (change: Partial<Layout>): Partial<ClassRecord> => ({ layout: { ...exampleClass().layout, ...change } })
const fact = (blocks: Block[], label: string): string | undefined =>
  blocks.flatMap((block) => (block.kind === 'facts' ? block.items : [])).find((item) => item.label === label)?.value
const headings = (blocks: Block[]): string[] =>
  blocks.flatMap((block) => (block.kind === 'heading' ? [block.text] : []))

describe('what a family gets', () => {
  it('has the parts in the layout’s order, the settled mark, levels in strokes and words, and the texts', () => {
    const blocks = blocksOf()
    expect(headings(blocks)).toEqual([
      'Maya Reed',
      'Sums',
      'Habits for learning',
      'Attendance',
      'How to read the levels',
      'My own words',
      'Signed',
    ])
    expect(fact(blocks, 'Mark')).toBe('A (level a), 82 %')
    expect(blocks.find((block) => block.kind === 'table')).toMatchObject({
      rows: [
        [{ text: 'Adds numbers' }, { text: '2 level 2', strokes: { filled: 2, of: 3 } }],
        [{ text: 'Divides numbers' }, { text: '1 level 1', strokes: { filled: 1, of: 3 } }],
      ],
    })
    expect(JSON.stringify(blocks)).toContain('Maya adds well.')
    expect(headings(blocksOf(layout({ parts: ['attendance', 'habits'] })))).toEqual([
      'Maya Reed',
      'Attendance',
      'Habits for learning',
    ])
  })
  it('never has what is for the teacher alone: computed marks, reasons, notes, teacher-only skills, status', () => {
    // The proposal is (60 + 90) / 2 = 75 %, the settled mark 82 %.
    expect(JSON.stringify(blocksOf())).not.toMatch(/75|secret|differs|finished|n1\b/i)
  })
  it('hides or shortens marks as the layout says, in the explanation too', () => {
    expect(fact(blocksOf(layout({ marks: 'level' })), 'Mark')).toBe('A (level a)')
    const none = blocksOf(layout({ marks: 'none' }))
    expect(fact(none, 'Mark')).toBeUndefined()
    expect(JSON.stringify(none)).not.toMatch(/What A means|82/)
  })
  it.each<[Partial<StudentMark>, string]>([
    [{ percent: null, special: 'incomplete' }, 'incomplete'],
    [{ percent: 79.6, special: null }, 'B (level b), 80 %'],
  ])('prints %j as “%s”: the letter from the unrounded mark', (mark, text) => {
    expect(
      fact(
        blocksOf({ marks: [{ studentId: '1', subject: 'sums', percent: null, special: null, reason: null, ...mark }] }),
        'Mark',
      ),
    ).toBe(text)
  })
  it('leaves a part out when nothing is known for it, without a hole', () => {
    expect(headings(blocksOf({}, 1))).toEqual(['Sam Reed', 'How to read the levels', 'My own words', 'Signed'])
  })
  it('tells days absent from times late', () => {
    const blocks = blocksOf()
    expect(['Days the school was open', 'Days absent', 'Times late'].map((label) => fact(blocks, label))).toEqual([
      '40',
      '2',
      '1',
    ])
  })
  it('says special values in words', () => {
    expect(JSON.stringify(blocksOf({ levels: [{ studentId: '1', about: 's1', symbol: 'NA' }] }))).toContain(
      'NA (not assessed)',
    )
  })
})
