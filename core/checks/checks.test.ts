import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { exampleClass, exampleComment as comment } from '../../tests/exampleClass'
import { he, readPronouns, she, they, type Pronouns } from '../people/pronouns'
import type { ClassRecord } from '../record/classRecord'
import type { Student } from '../record/roster'
import type { StudentComment } from '../record/termRecord'
import { indexRecord } from '../record/recordIndex'
import { usualCheckSettings } from '../school/checkSettings'
import { checkComment, mended } from './checkComment'
import { checkKeys, type CheckKey } from '../record/checkKeys'
import { quotedWords, type Finding } from './finding'
import { languageFindings } from './languageRemarks'
import { readableText } from './readableText'
import { findingsWithLanguage } from './withLanguage'

const student = (id: string, usedName: string, pronouns: Pronouns = she): Student => ({
  id,
  schoolNumber: id,
  legalGiven: usedName,
  usedName,
  family: 'Reed',
  pronouns,
  gradeLevel: '5',
})
const box = { key: 'general', name: 'General comment', subject: null, limit: 60, tone: '', plan: [] }

function check(
  text: string,
  {
    pronouns = she,
    others = [],
    record = {},
  }: { pronouns?: Pronouns; others?: StudentComment[]; record?: Partial<ClassRecord> } = {},
): Finding[] {
  const students = [student('1', 'Maya', pronouns), student('2', 'Will'), student('3', 'Ana')]
  const made = exampleClass({
    students,
    boxes: [box],
    comments: [comment('1', text), ...others],
    namesInYear: ['Ottoline'],
    habitScores: [],
    levels: [],
    ...record,
  })
  return checkComment(indexRecord(made), students[0] as Student, box)
}
const names = (...given: Parameters<typeof check>): string[] => check(...given).map((finding) => finding.check)

/** Keys that are found together, by the words around them or by a checker of another hand. */
const foundIn: Partial<Record<CheckKey, string>> = {
  'contradicts the level': 'contradicts',
  'contradicts the record': 'contradicts',
  'spelling': 'languageRemarks',
}

describe('the checks', () => {
  it.each(checkKeys)('“%s” is found in the file of its name', (key) => {
    const file = foundIn[key] ?? key.replace(/ (.)/g, (_, letter: string) => letter.toUpperCase())
    expect(readFileSync(new URL(`${file}.ts`, import.meta.url), 'utf8')).toContain(`'${key}'`)
  })
  it.each([
    ['Maya has had a good term.', []],
    ['', ['empty']],
    ['Maya [add more] reads well.', ['blank left']],
    ['Maya and Ana read well.', ['another name']],
    ['Maya reads. Will she write? Yes.', []],
    ['Maya often helps Will.', ['another name']],
    ['Maya sat beside Ottoline.', ['another name']],
    ['She reads well in class.', ['name missing']],
    [`Maya ${'reads '.repeat(12)}`, ['too long', 'repeated word', 'spacing'].slice(0, 1)],
    ['Maya is.', ['very short']],
    ['Maya reads in in class.', ['repeated word']],
    ['Maya had had a long day there.', []],
    ["Maya reads  well, and isn't slow.", ['spacing']],
    ['Maya is never lazy or bored.', ['word not wanted']],
    ['Maya was in hospital in May.', ['private matter']],
    ['Maya can add, and add again.', []],
  ])('in “%s” find %j', (text, found) => {
    expect(names(text).filter((name) => !(text.length > 60 && name !== 'too long'))).toEqual(found)
  })

  it.each<[string, Pronouns, string, string]>([
    ['Maya helped his group today.', she, 'his', 'her'],
    ['Maya reads. He writes as well.', she, 'He', 'She'],
    ['Maya saw that it was hers today.', he, 'hers', 'his'],
    ['Maya did it by herself today.', they, 'herself', 'themself'],
    ['Maya knows what him needs to do.', he, 'him', 'he'],
    ['Maya has his/her own book now.', she, 'his/her', 'her'],
    ['Maya says he/she reads a lot.', they, 'he/she', 'they'],
    ['Maya taught hisself to read.', he, 'hisself', 'himself'],
    ['Maya asked her for a new book.', readPronouns('xe/xem/xyr/xyrs/xemself') ?? she, 'her', 'xem'],
    ['Maya reads her book again.', 'name only', 'her', 'Maya’s'],
    ['Maya reads. They write as well.', she, 'They', 'She'],
    ['Maya reads. He’s quick.', she, 'He', 'She'],
    ['In a longer book her is good.', she, 'her', 'she'],
    ['Maya reads; now them could write.', they, 'them', 'they'],
    ['We think that her knows it.', she, 'her', 'she'],
  ])('in “%s” mends the pronoun %s', (text, pronouns, wrong, right) => {
    const [finding] = check(text, { pronouns }).filter((each) => each.check === 'pronoun')
    expect(finding && text.slice(finding.start, finding.end)).toBe(wrong)
    expect(finding?.mends[0]?.text).toBe(right)
  })
  it.each<[string, Pronouns]>([
    ['Maya helps others when they are stuck.', she],
    ['Maya gave them her book to read.', they],
    ['She told her friends about Maya.', she],
    ['Maya asked one of the boys what he wanted.', she],
    ['In the picture with her is a map.', she],
    ['Maya says that she’s ready.', she],
    ['Maya knows what is his and hers.', 'name only'],
  ])('leaves “%s” alone', (text, pronouns) => {
    expect(names(text, { pronouns }).filter((name) => name === 'pronoun')).toEqual(
      pronouns === 'name only' ? ['pronoun', 'pronoun'] : pronouns === they ? ['pronoun'] : [],
    )
  })

  it('leave a name alone that is part of the title of a piece of work', () => {
    const work = [
      {
        id: 'w',
        subject: 'sums',
        title: 'Ana’s bridge',
        category: 'Quizzes',
        date: null,
        outOf: 10,
        weight: 1,
        counts: true,
      },
    ]
    expect(names('Maya did well in “Ana’s bridge” here.', { record: { work } })).toEqual([])
    expect(names('Maya did well on Ana’s boat here.', { record: { work } })).toEqual(['another name'])
  })

  it('find the same text, names and pronouns aside, and nearly the same', () => {
    expect(names('Maya reads well in her group.', { others: [comment('3', 'Ana reads well in his group.')] })).toEqual([
      'same text',
    ])
    const long = 'Maya reads well every day and she always knows what each chapter was about.'
    expect(names(long, { others: [comment('3', long.replace('Maya', 'Ana').replace('always', 'often'))] })).toContain(
      'same text',
    )
    expect(
      names(long, {
        others: [comment('3', 'Ana counts well and can tell the time in any place she likes to go, every day.')],
      }),
    ).not.toContain('same text')
  })

  it('find words that contradict a level or a habit by name, and not those of the school’s own phrases', () => {
    const habits = (symbol: string) => ({ habitScores: [{ studentId: '1', about: 'care', symbol }] })
    expect(names('Maya takes brilliant care of her work.', { record: habits('1') })).toEqual(['contradicts the level'])
    expect(names('Maya takes poor care of her work.', { record: habits('3') })).toEqual(['contradicts the level'])
    expect(names('Maya takes brilliant care of her work.', { record: habits('3') })).toEqual([])
    expect(names('Maya takes poor care of her work.', { record: habits('2') })).toEqual([])
  })

  it('find reading that is too hard, and point at the sentence to blame', () => {
    const hard =
      'Notwithstanding considerable organisational improvement, ' +
      'consolidation necessitates individualised opportunities.'
    const [finding] = check(`Maya reads. ${hard}`).filter((each) => each.check === 'hard to read')
    expect(finding && `Maya reads. ${hard}`.slice(finding.start, finding.end)).toBe(hard)
    // One sentence of twenty words: grade 9.7 for a target of 8 says little. Three of the kind say something.
    const long =
      'Maya is very good at explaining why water levels change, and is secure in drawing what is seen through a lens.'
    expect(names(long)).not.toContain('hard to read')
    expect(names(`${long} ${long} ${long}`)).toContain('hard to read')
  })

  it('find a describing word twice and its relatives, and offer another of the same tier', () => {
    const phrasebook = {
      phrases: [],
      describing: { top: ['superb', 'splendid', 'excellent'], strong: [], sound: [], growing: [], starting: [] },
    }
    const [finding] = check('Maya does superb work and superb art.', { record: { phrasebook } })
    expect(finding).toMatchObject({ check: 'describing word twice', mends: [{ text: 'splendid' }] })
    expect(names('Maya is excellent and reads excellently.', { record: { phrasebook } })).toEqual([
      'describing word twice',
    ])
  })

  it('tell of a mark without a comment, a comment without a mark, and what is not settled', () => {
    const record = exampleClass({
      comments: [comment('2', 'Sam adds well enough for me to say so here.', { box: 'sums' })],
    })
    const findings = (id: string, key: string) =>
      checkComment(
        indexRecord(record),
        record.students.find((each) => each.id === id) as Student,
        record.boxes.find((each) => each.key === key) as typeof box,
      ).map((finding) => finding.check)
    expect(findings('1', 'sums')).toEqual(['mark without comment'])
    expect(findings('2', 'sums')).toEqual(['very short', 'comment without mark'])
    expect(findings('2', 'general')).toEqual(['empty'])
  })

  it('mend cleanly: what was found is gone, and nothing else has changed', () => {
    for (const text of [
      'Maya reads in in class.',
      'Maya  reads well.',
      'Maya helped his group.',
      'Maya often helps Ana.',
      'She reads well in class.',
      'Maya is lazy at times.',
      'Maya reads well.She sings.',
      'Maya works faster then me.',
      `Maya reads. ${'She writes a lot. '.repeat(5).trim()}`,
    ]) {
      const [finding] = check(text)
      const [mend] = finding?.mends ?? []
      expect(mend).toBeDefined()
      if (mend) expect(names(mended(text, mend))).not.toContain(finding?.check)
    }
  })

  it('keep quiet about what a teacher has said is right, until other words stand there', () => {
    const text = 'Maya often helps Will.'
    const [finding] = check(text)
    const words = finding ? quotedWords(finding, text) : ''
    const accepted = [{ studentId: '1', box: 'general', check: 'another name' as const, words }]
    expect(names(text, { record: { accepted } })).toEqual([])
    expect(names('Maya often helps Ana.', { record: { accepted } })).toEqual(['another name'])
  })

  it('look for what the school has set, and nothing when it has set nothing', () => {
    const school = {
      ...exampleClass().school,
      checks: {
        ...usualCheckSettings,
        nameWanted: false,
        notWanted: [{ words: 'can’t  spell', instead: '' }],
        privateMatters: [],
        readingTarget: 20,
      },
    }
    expect(names("She can't spell or was in hospital.", { record: { school } })).toEqual(['word not wanted'])
  })
})

describe('the text as a language checker can read it', () => {
  const ze = readPronouns('ze/zir/zir/zirs/zirself') ?? she
  const named = (usedName: string, pronouns: Pronouns = she) => student('1', usedName, pronouns)

  it('has a plain name of the same length for each child, and straight apostrophes', () => {
    const { text, restored } = readableText('Will has Will’s book. Will she read? Willow waits.', named('Will'), [
      'Will',
    ])
    expect(text).toBe("Anna has Anna's book. Will she read? Willow waits.")
    expect(restored('Anna has')).toBe('Will has')
    for (const name of ['Z', 'Wolfgangusius', ''])
      expect(readableText(`${name} reads.`, named(name), [name]).text).toBe(`${name} reads.`)
    expect(readableText("D'Arcy and Mary Ann read.", named('D’Arcy'), ['D’Arcy', 'Mary Ann']).text).toBe(
      'Robert and Jonathan read.',
    )
  })

  it('leaves a classmate’s name that is the word here, and has usual pronouns for those of one’s own', () => {
    expect(readableText('In May he reads with May.', named('Sam'), ['Sam', 'May']).text).toBe(
      'In May he reads with Tom.',
    )
    expect(readableText('Ze likes zir book.', named('Sasha', ze), ['Sasha']).text).toBe('He likes her book.')
    expect(readableText('They like their book.', named('Sam', they), ['Sam']).text).toBe('They like their book.')
  })

  it('has every place where it was, whatever the names and the text', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('Will', 'River', 'Ng', 'Bo', 'Zoë', 'Maximiliano', 'Mary Ann', 'O’Shea'),
        fc.array(fc.constantFrom('reads', 'Will', 'River', '’s', '. ', 'she', 'Zoë', '“', '”', 'Ng')),
        (name, words) => {
          const text = words.join(' ')
          const plain = readableText(text, named(name), [name])
          expect(plain.text).toHaveLength(text.length)
          expect(plain.text.split(/\s/)).toHaveLength(text.split(/\s/).length)
        },
      ),
    )
  })
})

it('what a check of our own has found is not said again by a language checker', () => {
  const text = 'Maya and Ana reads  well.'
  const record = exampleClass({
    students: [student('1', 'Maya'), student('3', 'Ana')],
    boxes: [box],
    comments: [comment('1', text)],
  })
  const remark = (start: number, end: number) => ({ rule: 'Agreement', message: 'Why.', start, end, suggestions: [] })
  const said = (start: number, end: number, of = text) =>
    findingsWithLanguage(indexRecord(record), student('1', 'Maya'), box, {
      read: { text: of, remarks: [remark(start, end)] },
      known: new Set<string>(),
    }).filter(({ check: key }) => key === 'grammar').length
  const ana = text.indexOf('Ana')
  // On the classmate’s name, over it, at its edges; beside it; where only spaces were found; of another text.
  expect([said(ana, ana + 3), said(0, ana + 1), said(ana + 2, 20)]).toEqual([0, 0, 0])
  expect([said(ana + 3, 18), said(4, ana), said(17, 21), said(ana + 3, 18, 'Maya')]).toEqual([1, 1, 1, 0])
})

it('a language checker’s remarks become findings, but for names, school words and rules with a reason', () => {
  const remark = (rule: string, start: number, end: number) => ({
    ...{ rule, start, end, message: 'Why.', suggestions: ['x'] },
  })
  const found = languageFindings(
    [
      remark('SpellCheck', 0, 8),
      remark('SpellCheck', 9, 13),
      remark('Excellent', 0, 4),
      remark('PronounVerbAgreement', 14, 16),
    ],
    'Hyun-woo raeds it',
    new Set(['hyun', 'woo']),
  )
  expect(found.map((finding) => [finding.check, finding.start])).toEqual([
    ['spelling', 9],
    ['grammar', 14],
  ])
})
