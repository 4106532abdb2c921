import { describe, expect, it } from 'vitest'
import { phrase, requestOf, standing } from '../../tests/exampleDraft'
import { she } from '../people/pronouns'
import { contradictedClaims } from './against'
import type { Counts } from './because'
import { draftComment } from './draftComment'
import { readPlan } from './plan'

const counts = (late: number, missing: number, absences: number | null = 0): { counts: Counts } => ({
  counts: { late, missing, attendance: absences === null ? null : { daysOpen: 58, absences } },
})
const claims = (text: string, facts: { counts: Counts }): string[] =>
  contradictedClaims(text, facts).map(({ start, end, why }) => `${text.slice(start, end)}: ${why}`)

describe('claims that what is counted speaks against', () => {
  it.each([
    ['She hands her work in on time.', counts(2, 0), ['hands her work in on time: 2 pieces of work came late']],
    ['She hands her work in on time.', counts(0, 0), []],
    ['She sometimes hands her work in on time.', counts(2, 0), []],
    ['She could hand in every piece of work.', counts(0, 1), []],
    ['All of her work is in.', counts(1, 1), ['All of her work is in: 1 piece of work came late and 1 is missing']],
    ['He has not missed a single day.', counts(0, 0, 1), ['has not missed a single day: there was a day away']],
    ['He was here every day.', counts(0, 0, null), []],
    ['He has taken part in all our lessons.', counts(0, 0, 49), ['all our lessons: there were 49 days away']],
    ['He is often absent.', counts(0, 0, 0), ['often absent: there was no day away']],
    ['He is often absent.', counts(0, 0, 12), []],
    ['He has settled in well.', counts(0, 0, 49), ['has settled: there were 49 days away']],
  ])('%s', (text, facts, expected) => {
    expect(claims(text, facts)).toEqual(expected)
  })

  it('shut a phrase out where a comment is composed, and leave it where nothing speaks against it', () => {
    const book = {
      describing: { top: [], strong: [], sound: [], growing: [], starting: [] },
      phrases: [
        phrase('on time', '{They} {hands} work in on time.', { about: 'Number' }),
        phrase('plain', '{They} {adds} with care, most of all in long and quiet lessons after the break.', {
          about: 'Number',
        }),
      ],
    }
    const made = requestOf({ pronouns: she, standings: [standing('Number', 'sound')], limit: 30 })
    const request = { ...made, box: { ...made.box, limit: 200, plan: readPlan('outcome Number') } }
    const drafted = (late: number): string =>
      draftComment({ ...request, facts: { ...request.facts, ...counts(late, 0) } }, book).sentences[0]?.phraseIds[0] ??
      ''
    expect(drafted(1)).toBe('plain')
    const only = { ...book, phrases: book.phrases.slice(0, 1) }
    expect(draftComment({ ...request, facts: { ...request.facts, ...counts(1, 0) } }, only).text).toBe('')
    expect(draftComment(request, only).text).toBe('Sam hands work in on time.')
  })
})
