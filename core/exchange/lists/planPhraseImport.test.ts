import { describe, expect, it } from 'vitest'
import { phrase } from '../../../tests/exampleDraft'
import { writePhrasebook } from '../folder/phrasebookFile'
import { planPhraseImport } from './planPhraseImport'

const standing = [
  phrase('a', '{They} {reads}.'),
  phrase('b', '{They} {counts}.'),
  phrase('mine', '{They} {draws}.', { owner: 'ines' }),
]
const subjects = ['any', 'general', 'art']
const plan = (text: string, owner: string | null = null) => planPhraseImport(text, standing, subjects, owner)

describe('bringing a phrasebook file', () => {
  it('changes nothing when it is the file that was saved', () => {
    expect(plan(writePhrasebook({ phrases: standing.slice(0, 2) }))).toEqual({
      added: [],
      changed: [],
      unchanged: 2,
      doubtful: [],
    })
  })
  it('tells new, changed and doubtful rows apart; a wrong row hides no good one', () => {
    const made = plan(
      'id;subject;part;about;levels;text\na;any;outcome;any;;{They} {reads} well.\nnew;art;closing;any;top;Splendid!\nbad;art;closing;any;top;{They\na;any;closing;any;;Again.\n;art;closing;any;;No id.\n',
    )
    expect(made.added.map((each) => [each.id, each.owner])).toEqual([['new', null]])
    expect(made.changed.map((each) => [each.before.text, each.phrase.text])).toEqual([
      ['{They} {reads}.', '{They} {reads} well.'],
    ])
    expect(made.doubtful).toEqual([
      { row: 4, reason: expect.stringMatching(/^text: At character 1/) },
      { row: 5, reason: expect.stringMatching(/stands in the file twice/) },
      { row: 6, reason: expect.stringMatching(/^id: /) },
    ])
  })
  it('takes nobody else’s phrase over, the school’s or one’s own', () => {
    expect(plan('id,subject,part,about,levels,text\nmine,any,closing,any,,Mine.\n').doubtful).toEqual([
      { row: 2, reason: expect.stringMatching(/a phrase of your own/) },
    ])
    expect(plan('id,subject,part,about,levels,text\na,any,closing,any,,Mine.\n', 'ines').doubtful).toEqual([
      { row: 2, reason: expect.stringMatching(/the school’s/) },
    ])
    expect(plan('id,subject,part,about,levels,text\nmine,any,closing,any,,Mine.\n', 'ines').changed).toHaveLength(1)
  })
  it('without the needed columns gives its problems and nothing else', () => {
    expect(plan('id,words\nx,Fine.\n')).toMatchObject({ added: [], changed: [], unchanged: 0 })
    expect(
      plan('id,words\nx,Fine.\n')
        .doubtful.map((each) => each.reason)
        .join(' '),
    ).toMatch(/“subject” is missing.*“text” is missing/)
  })
})
