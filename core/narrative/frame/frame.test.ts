import { describe, expect, it } from 'vitest'
import { writeOutContractions } from './contractions'
import type { FrameSetting } from './frame'
import { frameNotation, readOtherwise, recogniseFrame } from './recogniseFrame'
import { readPronouns, type PronounSet } from '../../people/pronouns'

const xe = readPronouns('xe/xem/xyr/xyrs/xemself') as PronounSet
const setting: FrameSetting = {
  names: ['Maya', 'James', 'Sam'],
  pronounSets: [xe],
  describing: new Set(['thorough', 'assured', 'excellent']),
  alwaysNamed: false,
}
const frame = (text: string, more: Partial<FrameSetting> = {}) => recogniseFrame(text, { ...setting, ...more })

it.each([
  ['She’s a keen reader.', 'She is a keen reader.'],
  ["Maya says he's drawn it and he’d like more.", 'Maya says he has drawn it and he would like more.'],
  ['They’ve begun, they’re glad and they’ll go on.', 'They have begun, they are glad and they will go on.'],
  ['She’d already been there. It’s Maya’s, and I’m glad.', 'She had already been there. It’s Maya’s, and I’m glad.'],
  ['She’s', 'She’s'],
  ['She’s dr', 'She’s dr'],
])('writes “%s” out, so that the verb can follow another pronoun', (text, full) => {
  expect(writeOutContractions(text)).toBe(full)
})

describe('recognising a frame in plain English', () => {
  it.each([
    [
      'Maya has a thorough grasp of number and checks her work.',
      '{They} {has} {a} {~thorough} grasp of number and {checks} {their} work.',
    ],
    [
      'She often helps others, listens well and finishes on time.',
      '{They} often {helps} others, {listens} well and {finishes} on time.',
    ],
    [
      'James writes his own endings, and we like his ideas; the best book is his.',
      '{They} {writes} {their} own endings, and we like {their} ideas; the best book is {theirs}.',
    ],
    [
      'With a partner, he reads aloud to himself and to him it is easy.',
      'With a partner, {they} {reads} aloud to {themself} and to {them} it is easy.',
    ],
    [
      'Sam has settled in. They read widely and choose an excellent book.',
      '{They} {has} settled in. {They} {reads} widely and {chooses} {a} {~excellent} book.',
    ],
    [
      'Maya’s work shows that she understands what she reads.',
      "{Name's} work shows that {they} {understands} what {they} {reads}.",
    ],
    ['We asked her to share it with hers.', 'We asked {them} to share it with {theirs}.'],
    ['Xe does xyr work by xemself.', '{They} {does} {their} work by {themself}.'],
    ['Maya doesn’t give up.', "{They} {doesn't} give up."],
    ['Nobody is named here and the work goes on.', 'Nobody is named here and the work goes on.'],
  ])('%s', (text, notation) => {
    expect(frameNotation(frame(text)).replaceAll('’', "'")).toBe(notation)
  })

  it.each<[string, [words: string, asked: boolean, others: string[]][]]>([
    ['We give her own ideas room.', [['her', false, ['pronoun object', 'words']]]],
    [
      'She writes and we help her plan.',
      [
        ['She', false, ['words']],
        ['writes', false, ['words']],
        ['her', true, ['pronoun determiner', 'words']],
      ],
    ],
    [
      'Sam helps friends, and we thank them.',
      [
        ['Sam', false, ['name', 'words']],
        ['helps', false, ['words']],
        ['them', true, ['pronoun object', 'words']],
      ],
    ],
    [
      'Sam has a thorough grasp of their work.',
      [
        ['Sam', false, ['name', 'words']],
        ['has', false, ['words']],
        ['a', false, ['words']],
        ['thorough', false, ['words']],
        ['their', false, ['words']],
      ],
    ],
    [
      'Sam helps friends by themself.',
      [
        ['Sam', false, ['name', 'words']],
        ['helps', false, ['words']],
        ['themself', false, ['words']],
      ],
    ],
    ['We saw Maya.', [['Maya', false, ['pronoun object', 'words']]]],
  ])('%s: what else each piece could be, and what is asked', (text, pieces) => {
    const found = frame(text).pieces.map(({ start, end, doubt, others }) => [
      text.slice(start, end),
      doubt !== null,
      others.map((other) => (other.kind === 'pronoun' ? `pronoun ${other.case}` : other.kind)),
    ])
    expect(found).toEqual(pieces)
  })

  it('takes a capital inside a sentence for a name, and a verb after a comma only in a row', () => {
    expect(frameNotation(frame('In maths Ottoline reads well.', { names: [] }))).toBe('In maths {they} {reads} well.')
    expect(frameNotation(frame('Maya reads a book, plans it.'))).toBe('{They} {reads} a book, plans it.')
  })

  it('finds a name that nobody knows by its place, and always names where the part wants it', () => {
    expect(frameNotation(frame('Ottoline reads well and keeps her notes.', { names: [] }))).toBe(
      '{They} {reads} well and {keeps} {their} notes.',
    )
    expect(frameNotation(frame('Maya has had a good term.', { alwaysNamed: true }))).toBe(
      '{Name} {has} had a good term.',
    )
  })

  it.each([
    [
      'We gave her extra practice.',
      'We gave {them} extra practice.',
      /as in “we asked her”, or/,
      'We gave {their} extra practice.',
    ],
    [
      'Maya helps classmates when they are stuck and thanks them.',
      '{They} {helps} classmates when they are stuck and {thanks} them.',
      /mean others here/,
      '{They} {helps} classmates when {they} are stuck and {thanks} them.',
    ],
    [
      'Sam sorts shapes and names them.',
      '{They} {sorts} shapes and {names} them.',
      /mean others here/,
      '{They} {sorts} shapes and {names} {them}.',
    ],
    [
      'Maya writes stories, plans and reports.',
      '{They} {writes} stories, plans and reports.',
      /are these things/,
      '{They} {writes} stories, {plans} and reports.',
    ],
  ])('asks about “%s”, the likelier reading first, and takes the answer', (text, likelier, question, other) => {
    const read = frame(text)
    expect(frameNotation(read)).toBe(likelier)
    const which = read.pieces.findIndex((piece) => piece.doubt)
    expect(read.pieces[which]?.doubt).toMatch(question)
    const answered = readOtherwise(read, which, 0)
    expect(frameNotation(answered)).toBe(other)
    expect(answered.pieces[which]?.doubt).toBeNull()
  })
})
