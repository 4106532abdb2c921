import { expect, it } from 'vitest'
import { he, she, they } from '../people/pronouns'
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
])('“%s” can be told', (note, told) => {
  expect(noteSentence(note, maya)).toBe(told)
})

it.each([
  ['Shared with Leo at last.', 'another child'],
  ['Helped by a partner.', 'somebody else did it'],
  ['Lovely map', 'no verb'],
  ['Tired and quiet.', 'how, not what'],
  ['Asks for the harder task.', 'a habit'],
  ['Told me about the move.', 'the writer'],
  ['Forgot her book today.', 'a day that is gone'],
  ['Gave him her pencil.', 'somebody else'],
  ['ASKED A GOOD QUESTION ABOUT ICE', 'capitals'],
  ['Demandé de mesurer.', 'another language'],
  ['Read well. Then slept.', 'two sentences'],
  ['', 'nothing'],
])('“%s” is left: %s', (note) => {
  expect(noteSentence(note, maya)).toBeNull()
})

it('says it of whoever it is about', () => {
  expect(noteSentence('Found his own way of adding.', { ...maya, pronouns: he })).toBe(
    'found {their} own way of adding',
  )
  expect(noteSentence('Told them what their idea was.', { ...maya, name: 'Sam', pronouns: they })).toContain('idea was')
  expect(noteSentence('Read aloud to the group.', { ...maya, pronouns: 'name only' })).toBe('read aloud to the group')
})
