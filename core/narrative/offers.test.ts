import { expect, it } from 'vitest'
import { phrase, requestOf, standing } from '../../tests/exampleDraft'
import { draftComment } from './draftComment'
import { offersFor } from './offers'
import { readPlan } from './plan'

const book = {
  describing: { top: [], strong: [], sound: [], growing: [], starting: [] },
  phrases: [
    phrase('plain', '{They} {is} sound in numbers.', { about: 'Number', claims: null }),
    phrase('scene', 'Each Friday, {they} {counts} the pencils with us.', { about: 'Number', claims: null }),
    phrase('corrected', '{They} {counts} the pencils.', { about: 'Number', claims: 'level' }),
    phrase('late', 'Each Friday, {they} {hands} work in on time.', { about: 'Number', claims: null }),
  ],
}
const made = requestOf({ standings: [standing('Number', 'sound')] })
const request = {
  ...made,
  box: { ...made.box, plan: readPlan('outcome Number') },
  facts: { ...made.facts, counts: { late: 1, missing: 0, attendance: null } },
}

it('what somebody must have seen is offered, and is not said by itself', () => {
  expect(offersFor(request, book, new Set()).map(({ beside, sentence }) => [beside, sentence.composed])).toEqual([
    [['outcome Number'], 'Each Friday, Sam counts the pencils with us.'],
  ])
  const said = draftComment(request, { ...book, phrases: book.phrases.filter(({ id }) => id !== 'corrected') })
  expect(said.text).toBe('Sam is sound in numbers.')
})

it('what stands already, and what the record speaks against, is not offered', () => {
  expect(offersFor(request, book, new Set(['scene']))).toEqual([])
})

it('what somebody has said of a phrase goes before what its words seem to say', () => {
  const only = { ...book, phrases: book.phrases.filter(({ id }) => id === 'corrected') }
  expect(draftComment(request, only).text).toBe('Sam counts the pencils.')
  expect(offersFor(request, only, new Set())).toEqual([])
})
