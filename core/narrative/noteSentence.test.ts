import { expect, it } from 'vitest'
import { he, she, they, type Pronouns } from '../people/pronouns'
import { noteSentence } from './noteSentence'

const maya = { name: 'Maya', pronouns: she, others: ['Leo', 'Will'] }

it.each([
  [
    'Asked to measure the river again because two results did not agree.',
    'asked to measure the river again because two results did not agree',
  ],
  ['Read her poem aloud and enjoyed it', 'read {their} poem aloud and enjoyed it'],
  ['Stayed with the puzzle until she had it.', 'stayed with the puzzle until {they} had it'],
  [
    'Helped a new classmate to find the right folder without being asked.',
    'helped a new classmate to find the right folder without being asked',
  ],
  ['Planned the fair test by herself.', 'planned the fair test by {themself}'],
  ['Carried on when the glue ran out!', 'carried on when the glue ran out'],
  ['Met a friend’s kite, and made a hat that they’ve kept.', 'met a friend’s kite, and made a hat that they’ve kept'],
])('“%s” can be told', (note, told) => {
  expect(noteSentence(note, maya)).toEqual({ told })
})

const begins = 'It does not begin with what Maya did, as in “Asked to …”.'
it.each([
  ['Shared with Leo at last.', 'It names Leo.'],
  ['Helped by a partner.', begins],
  ['Lovely map', begins],
  ['Tired and quiet.', begins],
  ['Asks for the harder task.', begins],
  ['Told me about the move.', 'It speaks of you, of a day that will be gone, or in signs.'],
  ['Forgot her book today.', 'It speaks of you, of a day that will be gone, or in signs.'],
  ['Gave him her pencil.', 'It has a pronoun that may mean somebody else.'],
  ['ASKED A GOOD QUESTION ABOUT ICE', 'It is in capitals.'],
  ['Demandé de mesurer.', begins],
  ['Was sehr ruhig.', 'It may not be in English.'],
  ['Led el grupo.', 'It may not be in English.'],
  ['Read well. Then slept.', 'It is more than one sentence.'],
  ['', begins],
])('“%s” is left: %s', (note, why) => {
  expect(noteSentence(note, maya)).toEqual({ why })
})

it('says it of whoever it is about', () => {
  const told = (note: string, more: { name?: string; pronouns: Pronouns }) => {
    const read = noteSentence(note, { ...maya, ...more })
    return 'told' in read ? read.told : read.why
  }
  expect(told('Found his own way of adding.', { pronouns: he })).toBe('found {their} own way of adding')
  expect(told('Told them what their idea was.', { name: 'Sam', pronouns: they })).toContain('idea was')
  expect(told('Read aloud to the group.', { pronouns: 'name only' })).toBe('read aloud to the group')
})
