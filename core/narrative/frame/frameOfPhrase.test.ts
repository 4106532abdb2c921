import { expect, it } from 'vitest'
import { she, they } from '../../people/pronouns'
import { parsePhrase } from '../notation'
import { frameOfPhrase } from './frameOfPhrase'

// A phrase as a sentence about one student: what is said, and which of its words vary.
const shown = (text: string, pronouns = she, name = 'Maya'): [string, string[]] => {
  const frame = frameOfPhrase(parsePhrase(text), name, pronouns)
  return [frame.text, frame.pieces.map(({ start, end }) => frame.text.slice(start, end))]
}

it.each<[string, string, string[]]>([
  ['{They} {reads} to {them}.', 'Maya reads to her.', ['Maya', 'reads', 'her']],
  ['By {themself}, {they} {reads}.', 'By herself, Maya reads.', ['herself', 'Maya', 'reads']],
  ['{Their} work shows that {they} {tries}.', 'Maya’s work shows that she tries.', ['Maya’s', 'she', 'tries']],
  ['That book is {theirs}; this is {theirs}.', 'That book is Maya’s; this is hers.', ['Maya’s', 'hers']],
  ['{Name} {reads}. {They} {writes}.', 'Maya reads. She writes.', ['Maya', 'reads', 'She', 'writes']],
  ["{Name's} friends see {them}.", 'Maya’s friends see her.', ['Maya’s', 'her']],
  ['{They} {has} {a} {~excellent} eye.', 'Maya has an excellent eye.', ['Maya', 'has', 'an', 'excellent']],
  ['{A} {~careful} hand.', 'A careful hand.', ['A', 'careful']],
  ['{a} apple and {a} pear', 'an apple and a pear', ['an', 'a']],
  ['{a} {#skill}', 'a {#skill}', ['a']],
  ['{Full name} and {Family name}.', '{Full name} and {Family name}.', []],
  ['{They} {finishes} {their|the} work.', 'Maya finishes {their|the} work.', ['Maya', 'finishes']],
  ['{They} {reads}[ in {#best work}] well.', 'Maya reads[ in {#best work}] well.', ['Maya', 'reads']],
])('%s', (text, said, varies) => {
  expect(shown(text)).toEqual([said, varies])
})

it('says the name with its possessive, and each piece could be plain words', () => {
  expect(shown('{Their} book', they, 'James')[0]).toBe('James’s book')
  const [first] = frameOfPhrase(parsePhrase('{They} {reads}.'), 'Maya', she).pieces
  expect(first).toMatchObject({ start: 0, end: 4, doubt: null, others: [{ kind: 'words', text: 'Maya' }] })
})
