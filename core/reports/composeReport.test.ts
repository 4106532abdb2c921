import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import type { ClassRecord } from '../record/classRecord'
import type { StudentMark } from '../record/termRecord'
import { indexRecord } from '../record/recordIndex'
import { composeReport } from './composeReport'
import { familyFacts } from './familyFacts'
import type { Block } from './document'
import type { Scale } from '../scales/scale'
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

const table = (caption: string, columns: [string, number][], rows: object[][]): object => ({
  kind: 'table',
  caption,
  columns: columns.map(([title, share]) => ({ title, share })),
  rows,
})
const outOfThree = (filled: number): object => ({ text: `${filled} level ${filled}`, strokes: { filled, of: 3 } })

describe('what a family gets', () => {
  it('is this, whole', () => {
    const general = { studentId: '1', box: 'general', text: 'A good term.', sentences: [], ownWords: true }
    const { comments } = exampleClass()
    const record = exampleClass({ comments: [...comments, { ...general, status: 'in draft', version: 1 }] })
    const [maya] = record.students
    if (!maya) throw new Error('no student')
    expect(composeReport(familyFacts(indexRecord(record), maya), record.layout, '2027-03-15')).toEqual({
      version: 1,
      title: 'Report card: Maya Reed, Spring term 2027',
      language: 'en-GB',
      paper: 'A4',
      studentId: '1',
      studentName: 'Maya Reed',
      foot: 'Willow School · Report card · Maya Reed · made 15 March 2027',
      blocks: [
        { kind: 'paragraph', text: 'Willow School · Report card', voice: 'small' },
        { kind: 'heading', level: 1, text: 'Maya Reed' },
        {
          kind: 'facts',
          items: [
            { label: 'Class', value: '5 Willow' },
            { label: 'Class teacher', value: 'Ada Moss' },
            { label: 'Term', value: 'Spring term 2027' },
          ],
        },
        { kind: 'heading', level: 2, text: 'About Maya’s term' },
        { kind: 'paragraph', text: 'A good term.', voice: 'comment' },
        { kind: 'heading', level: 2, text: 'Sums' },
        {
          kind: 'facts',
          items: [
            { label: 'Mark', value: 'A (level a), 82 %' },
            { label: 'Teacher', value: 'Ada Moss' },
          ],
        },
        table(
          'Skills in Sums',
          [
            ['What was learned', 0.78],
            ['Level', 0.22],
          ],
          [
            [{ text: 'Adds numbers' }, outOfThree(2)],
            [{ text: 'Divides numbers' }, outOfThree(1)],
          ],
        ),
        { kind: 'paragraph', text: 'Maya adds well.', voice: 'comment' },
        { kind: 'heading', level: 2, text: 'Habits for learning' },
        table(
          'Habits for learning',
          [
            ['Habit', 0.78],
            ['Score', 0.22],
          ],
          [[{ text: 'Care: Works with care' }, outOfThree(2)]],
        ),
        { kind: 'heading', level: 2, text: 'Attendance' },
        {
          kind: 'facts',
          items: [
            { label: 'Days the school was open', value: '40' },
            { label: 'Days absent', value: '2' },
            { label: 'Times late', value: '1' },
          ],
        },
        { kind: 'heading', level: 2, text: 'How to read the levels' },
        table(
          'Marks',
          [
            ['Marks', 0.3],
            ['What it means', 0.7],
          ],
          [
            [{ text: 'A level A' }, { text: 'What A means.' }],
            [{ text: 'B level B' }, { text: 'What B means.' }],
            [{ text: 'C level C' }, { text: 'What C means.' }],
          ],
        ),
        table(
          'Levels',
          [
            ['Levels', 0.3],
            ['What it means', 0.7],
          ],
          [
            [outOfThree(3), { text: 'What 3 means.' }],
            [outOfThree(2), { text: 'What 2 means.' }],
            [outOfThree(1), { text: 'What 1 means.' }],
          ],
        ),
        { kind: 'heading', level: 2, text: 'My own words' },
        { kind: 'lines', label: 'Written by Maya', count: 3 },
        { kind: 'heading', level: 2, text: 'Signed' },
        { kind: 'signatures', labels: ['Ada Moss', 'Family'] },
      ],
    })
  })
  it('of a subject has what is known, whichever it is, and nothing of another subject', () => {
    const { subjects, skills, comments, levels, marks } = exampleClass()
    const art = { ...subjects[0], key: 'art', name: 'Art' } as (typeof subjects)[number]
    const only = (change: Partial<ClassRecord>): object[] => {
      const parts = {
        subjects: [...subjects, art],
        marks: [],
        levels: [],
        comments: [],
        ...layout({ parts: ['subjects'] }),
      }
      return blocksOf({ ...parts, ...change }).slice(3)
    }
    const teacher = { kind: 'facts', items: [{ label: 'Teacher', value: 'Ada Moss' }] }
    const sums = { kind: 'heading', level: 2, text: 'Sums' }
    expect(only({})).toEqual([])
    expect(only({ comments })).toEqual([
      sums,
      teacher,
      { kind: 'paragraph', text: 'Maya adds well.', voice: 'comment' },
    ])
    expect(only({ levels: levels.slice(0, 1) }).slice(0, 2)).toEqual([sums, teacher])
    expect(only({ marks })).toHaveLength(2)
    const ofArt = [...skills, { ...skills[0], id: 'a1', subject: 'art' } as (typeof skills)[number]]
    const drawn = only({ skills: ofArt, levels: [{ studentId: '1', about: 'a1', symbol: '3' }] })
    expect(drawn.map((block) => ('text' in block ? block.text : 'caption' in block ? block.caption : ''))).toEqual([
      'Art',
      '',
      'Skills in Art',
    ])
  })
  it('explains the scales that are in use and no other, and none where there is none', () => {
    const [marks, levels] = exampleClass().scales as [Scale, Scale]
    const unused = { ...levels, key: 'unused', name: 'Unused' }
    const captions = (change: Partial<ClassRecord>): unknown[] =>
      blocksOf({ ...layout({ parts: ['scale'] }), ...change }).flatMap((block) =>
        'caption' in block ? [block.caption] : [],
      )
    expect(captions({ scales: [marks, levels, unused] })).toEqual(['Marks', 'Levels'])
    expect(captions({ scales: [marks, levels], habits: [], subjects: [] })).toEqual([])
    expect(captions({ scales: [marks, levels], habits: [] })).toEqual(['Marks', 'Levels'])
    expect(captions({ scales: [marks, levels], subjects: [] })).toEqual(['Levels'])
    expect(blocksOf({ ...layout({ parts: ['scale'] }), scales: [] })).toHaveLength(3)
  })
  it('has a level that is no longer on the scale as it was kept, without strokes', () => {
    const kept = blocksOf({ levels: [{ studentId: '1', about: 's1', symbol: '7' }] })
    expect(kept.find((block) => block.kind === 'table')).toMatchObject({
      rows: [[{ text: 'Adds numbers' }, { text: '7' }]],
    })
    expect(JSON.stringify(blocksOf({ scales: [] }))).toContain('"text":"2"')
  })
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
    // A mark that reaches no level is told by its figure, or not at all.
    const [marks, ...others] = exampleClass().scales
    const scales = marks ? [{ ...marks, levels: marks.levels.slice(0, 1) }, ...others] : others
    const low = { scales, marks: [{ studentId: '1', subject: 'sums', percent: 40, special: null, reason: null }] }
    const shown = (how: Layout['marks']) => fact(blocksOf({ ...layout({ marks: how }), ...low }), 'Mark')
    expect([shown('level'), shown('none')]).toEqual(['40 %', undefined])
    const none = blocksOf(layout({ marks: 'none' }))
    expect(fact(none, 'Mark')).toBeUndefined()
    expect(JSON.stringify(none)).not.toMatch(/What A means|82/)
  })
  it.each<[Partial<StudentMark>, string]>([
    [{ percent: null, special: 'incomplete' }, 'incomplete'],
    [{ percent: 79.6, special: null }, 'B (level b), 80 %'],
    [{ percent: -1, special: null }, '-1 %'],
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
