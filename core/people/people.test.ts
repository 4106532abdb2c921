import { describe, expect, it } from 'vitest'
import { includesGrade } from './gradeRange'
import { isLanguageTag } from './languageTag'
import { displayName, readName } from './names'
import { findByWords } from './findByWords'
import { studentMatcher, type Matchable, type RowIdentity } from './matchStudent'
import { nearNames } from './nearNames'
import { he, readPronouns, she, they, writePronouns } from './pronouns'

describe('pronouns', () => {
  // Source: the paradigm of third-person pronouns in The Cambridge Grammar of the English Language (Huddleston and
  // Pullum, 2002, ch. 5), written down from memory; "themself" for one person after the same.
  it.each([
    [she, 'she her her hers herself'],
    [he, 'he him his his himself'],
    [they, 'they them their theirs themself'],
  ])('%# has the cases of the published paradigm', (set, cases) => {
    expect([set.subject, set.object, set.determiner, set.possessive, set.reflexive].join(' ')).toBe(cases)
  })
  it('reads what people write, and writes it back', () => {
    for (const written of ['she/her', 'he/him', 'they/them', 'name only', 'xe/xem/xyr/xyrs/xemself']) {
      const read = readPronouns(written)
      expect(read && writePronouns(read)).toBe(written)
    }
    expect(readPronouns('She / Her')).toBe(she)
    expect(readPronouns('xe/xem')).toBeUndefined()
  })
  it('takes a set of one’s own only whole, with the verbs that go with it', () => {
    const five = ['xe', 'xem', 'xyr', 'xyrs', 'xemself']
    for (let nth = 0; nth < 5; nth += 1) {
      expect(readPronouns(five.map((each, at) => (at === nth ? '' : each)).join('/'))).toBeUndefined()
    }
    expect(readPronouns(`${five.join('/')}/xo`)).toBeUndefined()
    expect(readPronouns(` ${five.join(' / ')} `)).toMatchObject({ subject: 'xe', takesPluralVerb: false })
    expect(readPronouns('they/them/their/theirs/themselves')).toMatchObject({ takesPluralVerb: true })
  })
})

describe('names', () => {
  it('are read either way round', () => {
    expect(readName("O'Rourke, Caoimhe")).toEqual({ family: "O'Rourke", given: 'Caoimhe' })
    expect(readName('  Zoë   van der Meulen ')).toEqual({ given: 'Zoë van der', family: 'Meulen' })
    expect(readName('Le Guin ,  Ana')).toEqual({ family: 'Le Guin', given: 'Ana' })
    expect(readName(', Ana')).toEqual({ family: '', given: 'Ana' })
    expect(readName('Priya')).toEqual({ given: 'Priya', family: '' })
    expect(displayName({ given: 'Priya', family: '' })).toBe('Priya')
    expect(displayName({ given: 'Priya', family: '' }, 'family first')).toBe('Priya')
    expect(displayName({ given: 'Maya', family: 'O’Brien' }, 'family first')).toBe('O’Brien, Maya')
  })
})

it.each([
  ['en', true],
  ['pt-BR', true],
  ['zh-Hant', true],
  ['zz', false],
  ['english', false],
  ['', false],
])('“%s” is a language tag: %s (ISO 639 by Unicode’s CLDR)', (tag, is) => {
  expect(isLanguageTag(tag)).toBe(is)
})

it.each([
  ['4', true],
  ['6', true],
  ['3', false],
  ['7', false],
  ['K', false],
])('grade %s lies in 4 to 6: %s', (grade, lies) => {
  expect(includesGrade({ from: 4, to: 6 }, grade)).toBe(lies)
})

describe('matching a row to a student', () => {
  const student = (id: string, given: string, family: string, used = given): Matchable => ({
    id,
    schoolNumber: `00${id}`,
    legalGiven: given,
    usedName: used,
    family,
  })
  const match = studentMatcher([
    student('1', 'Katherine', 'Harrowgate', 'Kit'),
    student('2', 'Jonas', 'Vestergaard'),
    student('3', 'Jonas', 'Petrescu'),
    student('4', 'Ismaël', "N'Diaye"),
    student('5', 'Sam', 'Lee'),
    student('6', 'Sam', 'Lee'),
  ])
  it.each([
    [{ number: '1' }, '1'],
    [{ number: '0002' }, '2'],
    [{ name: 'Kit Harrowgate' }, '1'],
    [{ name: 'Harrowgate, Katherine' }, '1'],
    [{ name: 'N’Diaye, Ismael' }, '4'],
    [{ given: 'JONAS', family: 'petrescu' }, '3'],
  ])('%o is student %s', (row, id) => {
    expect(match(row)).toMatchObject({ kind: 'found', student: { id } })
  })
  it('asks when more than one fits, and when only half a name is given', () => {
    expect(match({ name: 'Sam Lee' })).toMatchObject({ kind: 'doubtful', candidates: [{ id: '5' }, { id: '6' }] })
    expect(match({ name: 'Jonas' })).toMatchObject({ kind: 'doubtful' })
    expect(match({ name: 'Nobody' })).toEqual({ kind: 'unknown' })
    expect(match({})).toEqual({ kind: 'unknown' })
  })
  it.each([
    [{ number: '1', name: 'Jonas Vestergaard' }, ['1', '2']],
    [{ number: '1', name: 'Somebody Else' }, ['1']],
    [{ number: '1', name: 'Kit Vestergaard' }, ['1']],
    [{ name: 'Katherine R. Harrowgate' }, ['1']],
    [{ name: 'Harrowgate, Katherine R' }, ['1']],
    [{ name: 'Katherine (Kitty) Harrowgate' }, ['1']],
    [{ name: 'Katherine “Kitty” Harrowgate' }, ['1']],
  ])('asks about %o', (row, ids) => {
    expect(match(row)).toMatchObject({ kind: 'doubtful', candidates: ids.map((id) => ({ id })) })
  })
  it.each([
    [{ number: '1', name: 'Kit' }, '1'],
    [{ number: '1', name: 'Harrowgate, Katherine R. (Kit)' }, '1'],
    [{ number: '4', given: 'Ismael', family: 'N’Diaye' }, '4'],
  ])('goes by the number where the name can be the same child’s: %o', (row, id) => {
    expect(match(row)).toMatchObject({ kind: 'found', by: 'number', student: { id } })
  })
  it.each([
    // The family name first without a comma, and names written without what stands in them.
    [{ name: 'Harrowgate Kit' }, '1'],
    [{ name: 'Petrescu Jonas' }, '3'],
    [{ name: 'ndiayeismael' }, '4'],
    [{ given: 'Ismael', family: 'NDiaye' }, '4'],
  ])('knows %o however it is written', (row, id) => {
    expect(match(row)).toMatchObject({ kind: 'found', by: 'name', student: { id } })
  })
  it('half a name is a hint: all whom it fits are asked about, by whichever of their names', () => {
    const asked = (row: RowIdentity): string[] => {
      const found = match(row)
      return found.kind === 'doubtful' ? found.candidates.map(({ id }) => id) : [found.kind]
    }
    expect(asked({ given: 'Jonas' })).toEqual(['2', '3'])
    expect([asked({ family: 'Lee' }), asked({ name: 'Kit' }), asked({ name: 'Katherine' })]).toEqual([
      ['5', '6'],
      ['1'],
      ['1'],
    ])
    expect(asked({ given: 'Ismael', family: '' })).toEqual(['4'])
  })
  it('a child without a family name is found by the one name there is', () => {
    const alone = studentMatcher([student('1', 'Maya', ''), student('2', 'Noor', 'Haddad')])
    expect(alone({ name: 'Maya' })).toMatchObject({ kind: 'found', student: { id: '1' } })
    expect(alone({ given: 'Maya', family: '' })).toMatchObject({ kind: 'found', student: { id: '1' } })
    expect([alone({ name: '' }), alone({ name: '—' })]).toEqual([{ kind: 'unknown' }, { kind: 'unknown' }])
  })
  const others = [student('3', 'Al', 'Bo'), student('4', 'Katherine', 'Haddad')]
  it.each([
    ['Maya R.', ['1']],
    ['M. Reed', ['1', '2']],
    ['Maya Reid', ['1']],
    ['Maya van Reed', ['1']],
    ['Maya X.', []],
    ['Al Reed', []],
    ['Maya Stone', []],
    // A letter off from five letters on, two from nine; shorter names are other names.
    ['Maia Riid', []],
    ['Ann Bo', []],
    ['Al Bu', []],
    ['Katharine Haddad', ['4']],
    ['Katharyne Haddad', ['4']],
    ['Katharyna Haddad', []],
    ['Kate H. Haddad', []],
  ])('in a class that is there, “%s” asks about %j', (name, ids) => {
    const near = nearNames([student('1', 'Maya', 'Reed'), student('2', 'Milo', 'Reed'), ...others])
    expect(near(name).map(({ id }) => id)).toEqual(ids)
    const asks = studentMatcher([student('1', 'Maya', 'Reed')], { asksNear: true })
    const plain = studentMatcher([student('1', 'Maya', 'Reed')])
    expect([asks({ name: 'Maya Reid' }).kind, plain({ name: 'Maya Reid' }).kind]).toEqual(['doubtful', 'unknown'])
  })
})

it.each([
  ['', ['Zoë van der Meulen', 'Bea Salgueiro', 'Sal Beaumont']],
  ['  ', ['Zoë van der Meulen', 'Bea Salgueiro', 'Sal Beaumont']],
  ['meu z', ['Zoë van der Meulen']],
  ['sal', ['Sal Beaumont', 'Bea Salgueiro']],
  ['bea', ['Bea Salgueiro', 'Sal Beaumont']],
  ['ulen', []],
  ['sal zoe', []],
])('“%s” finds %j', (typed, found) => {
  expect(findByWords(['Zoë van der Meulen', 'Bea Salgueiro', 'Sal Beaumont'], typed, (each) => each)).toEqual(found)
})
