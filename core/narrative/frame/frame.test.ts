import { describe, expect, it } from 'vitest'
import { writeOutContractions } from './contractions'
import type { Frame, FrameSetting } from './frame'
import { cutIntoWords, frameNotation, frameParts, readOtherwise, recogniseFrame } from './recogniseFrame'
import { writePhrase } from '../notation'
import { readPronouns, type PronounSet } from '../../people/pronouns'

const xe = readPronouns('xe/xem/xyr/xyrs/xemself') as PronounSet
const setting: FrameSetting = {
  names: ['Maya', 'James', 'Sam'],
  pronounSets: [xe],
  describing: new Set(['thorough', 'assured', 'excellent']),
  alwaysNamed: false,
}
const frame = (text: string, more: Partial<FrameSetting> = {}) => recogniseFrame(text, { ...setting, ...more })
const readings = (read: Frame) =>
  frameParts(read)
    .map(({ text, piece }) =>
      piece
        ? `[${[piece.token, ...piece.others].map((token) => writePhrase([token])).join('|')}]${piece.doubt ? '?' : ''}`
        : text,
    )
    .join('')

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

  // What varies is in brackets: as it is read, then its other readings, the plain words last; “?” where it is asked.
  it.each([
    ['Maya often helps.', '[{They}|{Name}|Maya] often [{helps}|helps].'],
    ['We saw Maya often there.', 'We saw [{Name}|{them}|Maya] often there.'],
    ['We thank Maya who reads.', 'We thank [{Name}|{them}|Maya] who reads.'],
    ['We know a Maya who reads.', 'We know a [{Name}|{them}|Maya] who reads.'],
    ['In class Maya’s work is neat.', "In class [{Name's}|{their}|Maya’s] work is neat."],
    ['Ottoline’s work is neat.', "[{Name's}|{Their}|Ottoline’s] work is neat."],
    ['Ottoline reads with Maya.', 'Ottoline reads with [{Name}|{them}|Maya].'],
    ['Ottoline tried hard.', '[{They}|{Name}|Ottoline] tried hard.'],
    ['Well done Ottoline', 'Well done [{Name}|{them}|Ottoline]'],
    ['Ottoline', 'Ottoline'],
    ['Reading helps us and him.', 'Reading helps us and [{them}|him].'],
    ['Group plans work for him.', 'Group plans work for [{them}|him].'],
    ['Xe reads to xem.', '[{They}|Xe] [{reads}|reads] to [{them}|xem].'],
    ['We give her own ideas room.', 'We give [{their}|{them}|her] own ideas room.'],
    ['We make his bed.', 'We make [{their}|{theirs}|his] bed.'],
    ['We praise her quickly.', 'We praise [{them}|{their}|her] quickly.'],
    ['With her, books are safe.', 'With [{them}|{their}|her], books are safe.'],
    ['We asked her', 'We asked [{them}|{their}|her]'],
    ['We make her bed.', 'We make [{them}|{their}|her]? bed.'],
    ['Maya makes her bed.', '[{They}|{Name}|Maya] [{makes}|makes] [{their}|{them}|her]? bed.'],
    ['Maya lets her finish.', '[{They}|{Name}|Maya] [{lets}|lets] [her|{them}|{their}|her]? finish.'],
    ['Maya works. We give her work.', '[{They}|{Name}|Maya] [{works}|works]. We give [{them}|{their}|her]? work.'],
    [
      'Maya reads well, and we make her bed.',
      '[{They}|{Name}|Maya] [{reads}|reads] well, and we make [{them}|{their}|her]? bed.',
    ],
    ['She writes and we help her plan.', '[{They}|She] [{writes}|writes] and we help [{them}|{their}|her]? plan.'],
    [
      'They bring their books, they say; she reads hers.',
      '[{They}|They] [{brings}|bring] [{their}|their] books, [{they}|they] [{says}|say]; she reads hers.',
    ],
    [
      'Maya brings what they say they need; she reads hers.',
      '[{They}|{Name}|Maya] [{brings}|brings] what [they|{they}|they]? say [they|{they}|they]? need; [{they}|she] [{reads}|reads] [{theirs}|hers].',
    ],
    [
      'Maya says they read to her.',
      '[{They}|{Name}|Maya] [{says}|says] [they|{they}|they]? read to [{them}|{their}|her].',
    ],
    [
      'Maya asks them for her pen.',
      '[{They}|{Name}|Maya] [{asks}|asks] [them|{them}|them]? for [{their}|{them}|her] pen.',
    ],
    [
      'Maya brings her book and their map.',
      '[{They}|{Name}|Maya] [{brings}|brings] [{their}|{them}|her]? book and [their|{their}|their]? map.',
    ],
    ['Maya uses hers and theirs.', '[{They}|{Name}|Maya] [{uses}|uses] [{theirs}|hers] and [theirs|{theirs}|theirs]?.'],
    [
      'Maya lets her team play by themselves.',
      '[{They}|{Name}|Maya] [{lets}|lets] [{their}|{them}|her]? team play by [themselves|{themself}|themselves]?.',
    ],
    [
      'Maya says her friend is by themself.',
      '[{They}|{Name}|Maya] [{says}|says] [{their}|{them}|her] friend is by [themself|{themself}|themself]?.',
    ],
    ['Sam works by themselves.', '[{They}|{Name}|Sam] [{works}|works] by [{themself}|themselves].'],
    [
      'Sam sorts shapes and keeps theirs.',
      '[{They}|{Name}|Sam] [{sorts}|sorts] shapes and [{keeps}|keeps] [theirs|{theirs}|theirs]?.',
    ],
    [
      'Sam sorts shapes and shows their edges.',
      '[{They}|{Name}|Sam] [{sorts}|sorts] shapes and [{shows}|shows] [{their}|their]? edges.',
    ],
    ['Sam helps friends by themself.', '[{They}|{Name}|Sam] [{helps}|helps] friends by [{themself}|themself].'],
    [
      'Sam says that when we ask if they are ready, they answer.',
      '[{They}|{Name}|Sam] [{says}|says] that when we ask if [{they}|they] [{is}|are] ready, [{they}|they] [{answers}|answer].',
    ],
    ['Sam reads because they are kind.', '[{They}|{Name}|Sam] [{reads}|reads] because [{they}|they] [{is}|are] kind.'],
    [
      'Others sing. Sam reads because they are kind.',
      'Others sing. [{They}|{Name}|Sam] [{reads}|reads] because [{they}|they] [{is}|are] kind.',
    ],
    [
      'Sam reads stories until they are done.',
      '[{They}|{Name}|Sam] [{reads}|reads] stories until [they|{they}|they]? are done.',
    ],
    ['When visitors ask, they answer.', 'When visitors ask, [{they}|they] [{answers}|answer].'],
    ['Maya reads! and writes', '[{They}|{Name}|Maya] [{reads}|reads]! and writes'],
    ['Maya Plans it.', '[{They}|{Name}|Maya] Plans it.'],
    ['Maya plans plans.', '[{They}|{Name}|Maya] [{plans}|plans] plans.'],
    ['They reads well.', '[{They}|They] reads well.'],
    ['Maya writes and plans.', '[{They}|{Name}|Maya] [{writes}|writes] and [plans|{plans}|plans]?.'],
    ['Maya writes and plans carefully.', '[{They}|{Name}|Maya] [{writes}|writes] and [{plans}|plans] carefully.'],
    [
      'Maya writes and plans projects and shows them.',
      '[{They}|{Name}|Maya] [{writes}|writes] and [{plans}|plans]? projects and [{shows}|shows] [them|{them}|them]?.',
    ],
    [
      'Maya writes stories but plans of hers wait.',
      '[{They}|{Name}|Maya] [{writes}|writes] stories but [plans|{plans}|plans]? of [{theirs}|hers] wait.',
    ],
    [
      'Maya writes stories, reads, plans and reports on it.',
      '[{They}|{Name}|Maya] [{writes}|writes] stories, [{reads}|reads], [{plans}|plans] and [{reports}|reports] on it.',
    ],
    [
      'Maya likes maps, draws them. And James listens.',
      '[{They}|{Name}|Maya] [{likes}|likes] maps, draws [them|{them}|them]?. And James listens.',
    ],
    ['Maya is shown and now reads.', '[{They}|{Name}|Maya] [{is}|is] shown and now [{reads}|reads].'],
    ['Maya is assured at home.', '[{They}|{Name}|Maya] [{is}|is] assured at home.'],
    ['Maya is assured, we find', '[{They}|{Name}|Maya] [{is}|is] assured, we find'],
    ['An assured voice is Maya’s.', "[{A}|An] [{~assured}|assured] voice is [{Name's}|{their}|Maya’s]."],
    ['An A is an assured mark.', 'An A is [{a}|an] [{~assured}|assured] mark.'],
  ])('%s: each piece, its other readings, and what is asked', (text, read) => {
    expect(readings(frame(text))).toBe(read)
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

it('cuts the words out around what is notation already, each with its place', () => {
  const words = cutIntoWords('{Name} reads{~a}well. a{b}c, "Sam’s" ({them})')
  expect(
    words.map(({ text, start, sentence, afterComma, beforeStop }) => [text, start, sentence, afterComma, beforeStop]),
  ).toEqual([
    ['reads', 7, 0, false, false],
    ['well', 16, 0, false, true],
    ['a', 22, 1, false, false],
    ['c', 26, 1, false, true],
    ['Sam’s', 30, 1, true, true],
  ])
})

it('changes one reading, and keeps the one it had in the place of the new one', () => {
  const read = frame('Maya helps and Maya reads her book.')
  const named = readOtherwise(read, 0, 0)
  expect(readings(named)).toBe(
    '[{Name}|{They}|Maya] [{helps}|helps] and [{they}|{Name}|Maya] [{reads}|reads] [{their}|{them}|her] book.',
  )
  expect(readings(readOtherwise(read, 0, 1))).toMatch(/^\[Maya\|\{Name\}\|\{They\}\] \[/)
  expect(readOtherwise(read, 1, 1)).toEqual(read)
  expect(frameParts(read).map((part) => part.text)).toEqual([
    'Maya',
    ' ',
    'helps',
    ' and ',
    'Maya',
    ' ',
    'reads',
    ' ',
    'her',
    ' book.',
  ])
})
