import { describe, expect, it } from 'vitest'
import { exampleClass, exampleComment } from '../../tests/exampleClass'
import type { DraftSentence } from '../narrative/because'
import { readPlan } from '../narrative/plan'
import { he, readPronouns, she, they, type Pronouns } from '../people/pronouns'
import type { ClassRecord } from '../record/classRecord'
import { indexRecord } from '../record/recordIndex'
import type { Student } from '../record/roster'
import type { Scale } from '../scales/scale'
import { checkComment, mended } from './checkComment'
import { languageFindings } from './languageRemarks'

const xe = readPronouns('xe/xem/xyr/xyrs/xemself') ?? she
const student = (id: string, usedName: string, more: Partial<Student> = {}): Student => ({
  id,
  schoolNumber: id,
  legalGiven: usedName,
  usedName,
  family: 'Reed',
  pronouns: she,
  gradeLevel: '5',
  ...more,
})
const box = { key: 'general', name: 'General comment', subject: null, limit: 300, tone: '', plan: [] }

/** What the checks find in Maya's comment: which, at which words, and the text after the first mend. */
function found(text: string, record: Partial<ClassRecord> = {}, more: Partial<Student> = {}, boxes = [box]): string[] {
  const maya = student('1', 'Maya', { legalGiven: 'Amaya', ...more })
  const students = [maya, student('2', 'Will'), student('3', 'Ana'), student('4', 'Tom')]
  const comments = [exampleComment('1', text)]
  const plain = { namesInYear: ['Ottoline'], habitScores: [], levels: [] }
  const made = exampleClass({ ...plain, students, boxes, comments, ...record })
  return checkComment(indexRecord(made), maya, boxes[0] ?? box).map(({ check, start, end, mends: [mend] }) => {
    const after = mend ? mended(text, mend).replace(filler, '') : 'no mend'
    return `${check} «${text.slice(start, end).replace(filler, '')}» → ${after}`
  })
}
// A calm line, so that nothing is found too short.
const filler = ' This is a calm line that fills the box for us all.'

it.each([
  ['Maya sat by Ana’s desk.', 'another name «Ana’s» → Maya sat by Maya’s desk.'],
  ['Maya sat with Tom.', 'another name «Tom» → Maya sat with Maya.'],
  ['Tom reads. Maya listens.', 'another name «Tom» → Maya reads. Maya listens.'],
  ['Maya likes Ottoline.', 'another name «Ottoline» → Maya likes Maya.'],
  ['Maya sat by Will.', 'another name «Will» → Maya sat by Maya.'],
  ['Maya reads. Will was there.', 'another name «Will» → Maya reads. Maya was there.'],
  ['Maya reads. Will there be more?'],
  ['Will it be Maya?'],
  ['Maya reads. “Will it work?” she asks.'],
  ['Maya said, “Yes.” Will it work?'],
  ['Amaya is Maya, and Maya Reed.'],
])('names: %s', (text, ...expected) => {
  expect(found(text + filler)).toEqual(expected)
})

it('a classmate’s name inside the student’s own is nobody else’s', () => {
  const named = { usedName: 'Maya Ana', legalGiven: 'Maya Ana' }
  expect(found(`Maya Ana reads.${filler}`, {}, named)).toEqual([])
  expect(found(`Maya Ana reads with Ana.${filler}`, {}, named)).toEqual([
    'another name «Ana» → Maya Ana reads with Maya Ana.',
  ])
})

it('a title names nobody, but for the one who is called just so', () => {
  const [piece] = exampleClass().work
  const titled = (...titles: string[]) => ({
    work: titles.map((title) => ({ ...(piece as ClassRecord['work'][number]), id: title, title })),
  })
  const text = `Maya read “A boat for Ana” with Ana.${filler}`
  const written = 'another name «Ana» → Maya read “A boat for Ana” with Maya.'
  expect(found(text, titled('A boat for Ana'))).toEqual([written])
  expect(found(`Maya read “Ana and Tom”.${filler}`, titled('Ana and Tom', 'Other'))).toEqual([])
  const called = found(`Maya read “Tom”.${filler}`, titled('Tom'))
  expect(called).toEqual(['another name «Tom» → Maya read “Maya”.'])
  expect(found(`Maya and Will Reed.${filler}`, {}, { family: 'Will' })).toEqual([])
})

it.each<[string, Pronouns, ...string[]]>([
  ['Maya and s/he read.', she, 'pronoun «s/he» → Maya and she read.'],
  ['Maya likes him/her here.', she, 'pronoun «him/her» → Maya likes her here.'],
  ['Maya did it himself/herself.', she, 'pronoun «himself/herself» → Maya did it herself.'],
  ['Maya has (s)he here.', she, 'pronoun «(s)he» → Maya has she here.'],
  ['The prize is his/hers, Maya.', she, 'pronoun «his/hers» → The prize is hers, Maya.'],
  ['Maya knows her/his way.', he, 'pronoun «her/his» → Maya knows his way.'],
  ['He/she reads with Maya.', they, 'pronoun «He/she» → They reads with Maya.'],
  ['Maya and her mother said she reads.', he, 'pronoun «her» → Maya and his mother said she reads.'],
  ['Maya told the king that he won.', she],
  ['Maya told Mrs Moss that she won.', he],
  ['Maya told Mrs Moss. It was late. She won.', he, 'pronoun «She» → Maya told Mrs Moss. It was late. He won.'],
  ['Maya reads. Her work is neat.', he, 'pronoun «Her» → Maya reads. His work is neat.'],
  ['Maya reads by himself.', she, 'pronoun «himself» → Maya reads by herself.'],
  ['Maya reads. It is his.', she, 'pronoun «his» → Maya reads. It is hers.'],
  ['Maya and I saw him.', she, 'pronoun «him» → Maya and I saw her.'],
  ['Maya reads by themselves.', she],
  ['Maya reads and themself writes.', she, 'pronoun «themself» → Maya reads and herself writes.'],
  ['The books are there. Maya sees them.', she],
  [
    'The books are there. Maya reads. It is late. Maya sees them.',
    she,
    'pronoun «them» → The books are there. Maya reads. It is late. Maya sees her.',
  ],
  ['Maya reads. Their work is neat.', she, 'pronoun «Their» → Maya reads. Her work is neat.'],
  ['Maya helps theirself.', they, 'pronoun «theirself» → Maya helps themself.'],
  ['Maya is for she.', she, 'pronoun «she» → Maya is for her.'],
  ['We gave she a book, Maya.', she, 'pronoun «she» → We gave her a book, Maya.'],
  ['Maya works with he.', he, 'pronoun «he» → Maya works with him.'],
  ['Maya for he can read.', he],
  ['Maya has hers book.', she, 'pronoun «hers» → Maya has her book.'],
  ['Maya has hers own way.', she, 'pronoun «hers» → Maya has her own way.'],
  ['Maya likes what is hers.', she],
  ['Maya has hers reads.', she],
  ['Maya is good because her is kind.', she, 'pronoun «her» → Maya is good because she is kind.'],
  ['Glad, her has grown, Maya.', she, 'pronoun «her» → Glad, she has grown, Maya.'],
  ['Maya knows her needs.', she],
  ['During the walk reading helped her is Maya.', she],
  ['With friends them has fun, Maya.', they, 'pronoun «them» → With friends they has fun, Maya.'],
  ['In class him reads, Maya does.', he, 'pronoun «him» → In class he reads, Maya does.'],
  ['Xem reads, Maya does.', xe, 'pronoun «Xem» → Xe reads, Maya does.'],
  ['Maya helps xe.', xe, 'pronoun «xe» → Maya helps xem.'],
  ['Maya reads. Xe writes.', xe],
])('pronouns: %s', (text, pronouns, ...expected) => {
  expect(found(text + filler, {}, { pronouns })).toEqual(expected)
})

it.each<[string, Pronouns, ...string[]]>([
  ['reads all day.', she, 'name missing «reads all day.» → no mend'],
  ['She is quick.', she, 'name missing «She is quick.» → Maya is quick.'],
  ['they read.', they, 'name missing «they read.» → Maya read.'],
  ['She reads.', 'name only', 'pronoun «She» → Maya reads.', 'name missing «She reads.» → no mend'],
])('a text that never names the student: %s', (text, pronouns, ...expected) => {
  expect(found(text + filler, {}, { pronouns })).toEqual(expected)
})

it('blanks, spaces and quotes, each where it stands', () => {
  expect(found(`{Name} and [name] and Maya ___ xxx TBC <b>${filler}`)).toEqual([
    'blank left «{Name}» → Maya and [name] and Maya ___ xxx TBC <b>',
    'blank left «[name]» → {Name} and Maya and Maya ___ xxx TBC <b>',
    ...['___', 'xxx', 'TBC', '<b>'].map((blank) => `blank left «${blank}» → no mend`),
  ])
  expect(found(`Maya  reads . Yes, it is\nhers.${filler} `)).toEqual([
    'spacing «  » → Maya reads . Yes, it is\nhers. ',
    'spacing «\n» → Maya  reads . Yes, it is hers. ',
    'spacing « » → Maya  reads . Yes, it is\nhers.',
    'spacing « » → Maya  reads. Yes, it is\nhers. ',
  ])
  expect(found(`Maya reads well.She sings. she hums.${filler}`).slice(0, 2)).toEqual([
    'spacing «.» → Maya reads well. She sings. she hums.',
    'spacing «s» → Maya reads well.She sings. She hums.',
  ])
  expect(found(`Maya THE the end, that that had had.${filler}`)).toEqual([
    'repeated word «THE the» → Maya THE end, that that had had.',
  ])
})

it('too long and very short are so by the limit, in signs as people count them', () => {
  const limited = (limit: number) => [{ ...box, limit }]
  const text = 'Maya reads a lot. She sings.'
  expect(found(text, {}, {}, limited(28))).toEqual([])
  expect(found(text, {}, {}, limited(27))).toEqual([`too long «${text}» → Maya reads a lot.`])
  expect(found(text, {}, {}, limited(16))).toEqual([`too long «${text}» → no mend`])
  expect(found(text, {}, {}, limited(140))).toEqual([])
  expect(found(text, {}, {}, limited(141))).toEqual([`very short «${text}» → no mend`])
  expect(found('Maya 👩‍👧👩‍👧', {}, {}, limited(7))).toEqual([])
})

it('words that are not for a report, with what they touch on, and another where the school has one', () => {
  const checks = {
    ...exampleClass().school.checks,
    notWanted: [
      { words: 'lazy', instead: 'at ease' },
      { words: 'smart', instead: '' },
    ],
    privateMatters: [
      { about: 'health', words: ['clinic'] },
      { about: 'money', words: ['rent', 'free meals'] },
    ],
  }
  const record = { school: { ...exampleClass().school, checks } }
  expect(found(`Maya is lazy, smart, at the clinic and on free meals.${filler}`, record)).toEqual([
    'private matter «clinic» → no mend',
    'private matter «free meals» → no mend',
    'word not wanted «lazy» → Maya is at ease, smart, at the clinic and on free meals.',
    'word not wanted «smart» → no mend',
  ])
  const made = exampleClass({ ...record, comments: [exampleComment('1', 'Maya has free meals.')] })
  const [maya] = made.students
  const why = maya && checkComment(indexRecord(made), maya, { ...box, limit: 20 }).map((finding) => finding.why)
  expect(why).toEqual(['“free meals” touches on money. A report may be read by many.'])
})

describe('a comment beside its record', () => {
  const sums = { ...box, key: 'sums', name: 'Sums', subject: 'sums' as string | null }
  const inSums = (text: string, record: Partial<ClassRecord> = {}, plan = ''): string[] => {
    const boxes = [{ ...sums, plan: readPlan(plan) }]
    const comments = text === '' ? [] : [exampleComment('1', text + filler, { box: 'sums' })]
    const made = exampleClass({ boxes, comments, ...record })
    const [maya] = made.students
    if (!maya || !boxes[0]) throw new Error('no student')
    return checkComment(indexRecord(made), maya, boxes[0]).map(({ check, why }) => `${check}: ${why}`)
  }
  const marked = (percent: number) => ({
    marks: [{ studentId: '1', subject: 'sums', percent, special: null, reason: null }],
  })
  const rated = (...symbols: string[]) => ({
    levels: symbols.map((symbol, nth) => ({ studentId: '1', about: `s${nth + 1}`, symbol })),
  })

  it('an empty box, and one with a mark beside it', () => {
    expect(inSums('')).toEqual(['mark without comment: Maya has a mark in Sums and no comment yet.'])
    expect(inSums('', { marks: [] })).toEqual(['empty: Maya has nothing in Sums yet.'])
    expect(found('', marked(80))).toEqual(['empty «» → no mend'])
  })
  it('a comment without anything settled, or with a part of its plan unsettled', () => {
    const none = { marks: [], levels: [], habitScores: [] }
    expect(inSums('Maya adds.', none)).toEqual([
      'comment without mark: There is a comment in Sums but no settled mark or level.',
    ])
    expect(inSums('Maya adds.', { ...none, ...rated('2') })).toEqual([])
    const special = { marks: [{ studentId: '1', subject: 'sums', percent: null, special: 'incomplete', reason: null }] }
    expect(inSums('Maya adds.', { ...none, ...special } as Partial<ClassRecord>)).toEqual([])
    expect(
      inSums('Maya adds.', { ...none, ...marked(60) }, 'outcome Number; habit care; outcome mark; opening'),
    ).toEqual([
      'not settled: Nothing is settled for Number, so the plan has nothing to say of it.',
      'not settled: Nothing is settled for Care, so the plan has nothing to say of it.',
    ])
    expect(found(`Maya is well.${filler}`, none)).toEqual([])
  })
  it('a mark and levels that tell two stories', () => {
    expect(inSums('Maya adds.', { ...marked(90), ...rated('1', '1') })).toEqual([
      'mark and levels differ: Settled mark: 90 %, A (level A); the levels say otherwise. ' +
        'The family reads both and may ask why.',
    ])
    expect(inSums('Maya adds.', { ...marked(90), ...rated('3', '3') })).toEqual([])
  })
  it('a draft that is easily wrong about a child, until somebody has read it', () => {
    const draft = { ...exampleComment('1', `Maya adds.${filler}`, { box: 'sums' }), ownWords: false }
    const read = { studentId: '1', box: 'sums', check: 'read it first' as const, words: '' }
    const { term, ...then } = exampleClass()
    const before = { earlier: [{ ...then, ...rated('3', '3'), term: { ...term, id: 't1' } }] }
    const first = (record: Partial<ClassRecord>, comment = draft): string[] =>
      inSums('', { marks: [], comments: [comment], ...record }).filter((each) => each.startsWith('read it first'))
    const low = { ...rated('2', '1') }
    expect(first(low)).toEqual([
      'read it first: All that was rated here is a difficulty. Read it as Maya’s family will.',
    ])
    expect(first({ ...rated('3', '3'), ...before })).toEqual([])
    expect(first({ ...rated('1', '3'), ...before })).toEqual([
      'read it first: There is a fall by two levels or more: Adds numbers. Read it as Maya’s family will.',
    ])
    expect(
      first({ ...rated('3', '3'), attendance: [{ studentId: '1', daysOpen: 40, absences: 30, lates: 0 }] }),
    ).toEqual(['read it first: Little is known of this term. Read it as Maya’s family will.'])
    expect(first(low, { ...draft, ownWords: true })).toEqual([])
    expect(first(low, { ...draft, status: 'finished' })).toEqual([])
    expect(first({ ...low, accepted: [read] })).toEqual([])
  })
  it('words that contradict what they speak of: what was named, what it was composed of, or the whole box', () => {
    const low = { ...marked(10), ...rated('1', '1') }
    const high = { ...marked(90), ...rated('3', '3') }
    const scale = (lowestTier: 'growing' | 'starting') => {
      const [marks, skills] = exampleClass().scales
      if (!marks || !skills) throw new Error('no scales')
      const levels = marks.levels.map((level, nth) => (nth === 2 ? { ...level, tier: lowestTier } : level))
      return { scales: [{ ...marks, levels }, skills] }
    }
    expect(inSums('Maya is brilliant here.', { ...low, ...scale('starting') })).toEqual([
      'contradicts the level: “brilliant” does not go with what is settled here.',
    ])
    expect(inSums('Maya is top of the class.', { ...low, ...scale('growing') })).toEqual([
      'contradicts the level: “top of the class” does not go with what is settled here.',
    ])
    expect(inSums('Maya is brilliant in Number.', { ...low, ...scale('starting') })).toEqual([
      'contradicts the level: “brilliant” does not go with “Adds: 1 (level 1)”.',
    ])
    expect(inSums('Maya struggles a little.', high)).toEqual([
      'contradicts the level: “struggles” does not go with what is settled here.',
    ])
    expect(inSums('Maya struggles a little.', low)).not.toContain(expect.stringMatching(/contradicts/))
  })
  it('neither where the facts lie between, and blame from a strong level on', () => {
    const [marks, skills] = exampleClass().scales as [Scale, Scale]
    const strong = {
      ...skills,
      levels: skills.levels.map((each, nth) => (nth === 0 ? { ...each, tier: 'strong' as const } : each)),
    }
    const told = (words: string, record: Partial<ClassRecord>) =>
      inSums(words, { marks: [], habitScores: [], scales: [marks, strong], ...record }).filter((each) =>
        each.startsWith('contradicts'),
      )
    expect(told('Maya struggles.', rated('3', '3'))).toHaveLength(1)
    expect(told('Maya struggles.', rated('3', '2'))).toEqual([])
    expect(told('Maya struggles.', rated('3', '1'))).toEqual([])
    expect(told('Maya is brilliant.', rated('3', '1'))).toEqual([])
    expect(told('Maya is brilliant.', rated('2', '1'))).toHaveLength(1)
    expect(told('Maya is brilliant and brilliant. Maya struggles.', { ...rated('2', '2'), ...marked(90) })).toEqual([])
    expect(told('Number is where Maya is brilliant.', { ...rated('1', '1'), ...marked(90) })).toHaveLength(1)
  })
  it('the words are pointed at where they stand', () => {
    const text = `Maya reads. It is brilliant, and top of the class.${filler}`
    const low = { habitScores: [{ studentId: '1', about: 'care', symbol: '1' }] }
    expect(found(text, low)).toEqual(
      ['brilliant', 'top of the class'].map((words) => `contradicts the level «${words}» → no mend`),
    )
  })
  it('of composed sentences, only a changed one can contradict; an untouched one is out of step or right', () => {
    const text = 'She works well with numbers.'
    const because = [
      { kind: 'skill level' as const, about: 's1', text: 'Adds: 3 (level 3)', tier: 'top' as const, termId: 't2' },
      { kind: 'skill level' as const, about: 's2', text: 'Divides: 3 (level 3)', tier: 'top' as const, termId: 't2' },
    ]
    const sentence = (words: string): DraftSentence => ({
      start: 0,
      end: words.length,
      composed: text,
      parts: ['outcome Number'],
      phraseIds: ['n-ok'],
      because,
    })
    const told = (words: string, symbol: string): string[] => {
      const sentences = [sentence(words)]
      const comment = exampleComment('1', words + filler, { box: 'sums', sentences, ownWords: words !== text })
      return inSums('', { ...marked(90), ...rated(symbol, symbol), comments: [comment], boxes: [sums] })
    }
    const maya = 'name missing: The text never names Maya.'
    expect(told(text, '3')).toEqual([maya])
    expect(told('She works poorly with numbers.', '3')).toEqual([
      'contradicts the level: “poorly” does not go with “Adds: 3 (level 3)”.',
      maya,
    ])
    const [stale] = told(text, '1')
    expect(stale).toBe(
      'out of step: Written from “Adds: 3 (level 3); Divides: 3 (level 3)”; ' +
        'today: Adds: 1 (level 1); Divides: 1 (level 1).',
    )
  })
})

it('a language checker’s remark keeps its place and three of its suggestions', () => {
  const remark = (words: string, rule: string, suggestions: string[] = []) => ({
    rule,
    message: `${words}?`,
    start: 'It is here by Zoe’s and Hyun-woo and teh'.indexOf(words),
    end: 'It is here by Zoe’s and Hyun-woo and teh'.indexOf(words) + words.length,
    suggestions,
  })
  const all = [
    remark('teh', 'SpellCheck', ['the', '', 'tea', 'ten']),
    remark('Zoe’s', 'SpellCheck'),
    remark('Hyun-woo', 'SpellCheck'),
    remark('It is', 'RedundantThat'),
    remark('here by', 'ByAccident'),
  ]
  const findings = languageFindings(all, 'It is here by Zoe’s and Hyun-woo and teh', new Set(['zoe', 'hyun-woo']))
  expect(findings).toEqual([
    {
      check: 'spelling',
      why: 'teh?',
      start: 37,
      end: 40,
      mends: [
        { label: 'Write “the”', start: 37, end: 40, text: 'the' },
        { label: 'Leave it out', start: 37, end: 40, text: '' },
        { label: 'Write “tea”', start: 37, end: 40, text: 'tea' },
      ],
    },
    { check: 'grammar', why: 'here by?', start: 6, end: 13, mends: [] },
  ])
})
