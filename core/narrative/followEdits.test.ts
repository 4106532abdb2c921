import { describe, expect, it } from 'vitest'
import { sentenceAt } from '../../tests/exampleDraft'
import { she, they } from '../people/pronouns'
import { changeBetween, fidelity, followEdits } from './followEdits'
import { couldBeMeant, nothingSpoken, saySentence, type Spoken } from './say'
import { parsePhrase, tokensWith } from './notation'

const text = 'Sam draws. Sam sings. Sam runs.'
const three = [sentenceAt(0, 'Sam draws.'), sentenceAt(11, 'Sam sings.'), sentenceAt(22, 'Sam runs.')]
const follow = (typed: string): string[] =>
  followEdits(three, text, typed).map(({ start, end }) => typed.slice(start, end))

describe('where three sentences stand after an edit', () => {
  it.each<[string, string[]]>([
    ['Well: Sam draws. Sam sings. Sam runs.', ['Sam draws.', 'Sam sings.', 'Sam runs.']],
    ['Sam draws. New. Sam sings. Sam runs.', ['Sam draws.', 'Sam sings.', 'Sam runs.']],
    ['Sam draws. Sam sings. Sam runs. More.', ['Sam draws.', 'Sam sings.', 'Sam runs.']],
    ['Sam draws. Sam draws. Sam sings. Sam runs.', ['Sam draws.', 'Sam sings.', 'Sam runs.']],
    ['Sam draws. Sam runs.', ['Sam draws.', '', 'Sam runs.']],
    ['Sam sings. Sam runs.', ['', 'Sam sings.', 'Sam runs.']],
    ['Sam draws. Sam sings.', ['Sam draws.', 'Sam sings.', '']],
    ['Sam draws. Sam sings loudly. Sam runs.', ['Sam draws.', 'Sam sings loudly.', 'Sam runs.']],
    ['Sam draws. Sam sings and runs.', ['Sam draws.', 'Sam sings and', 'runs.']],
    ['Sam Sam sings. Sam runs.', ['Sam', 'Sam sings.', 'Sam runs.']],
    ['Sam draws.   Sam sings. Sam runs.', ['Sam draws.', 'Sam sings.', 'Sam runs.']],
    ['', ['', '', '']],
  ])('%s', (typed, places) => {
    expect(follow(typed)).toEqual(places)
  })

  it('an untouched sentence is the same object, and a change is the one stretch that differs', () => {
    expect(followEdits(three, text, `${text} More.`)[0]).toBe(three[0])
    expect(changeBetween('She adds.', 'She often adds.')).toEqual({ from: 4, removed: 0, added: 6 })
    expect(changeBetween('aaa', 'aa')).toEqual({ from: 2, removed: 1, added: 0 })
    expect(changeBetween('same', 'same')).toEqual({ from: 4, removed: 0, added: 0 })
    expect(changeBetween('', 'new')).toEqual({ from: 0, removed: 0, added: 3 })
  })
})

describe('how far a sentence is still the composed one', () => {
  it.each<[string, string, string]>([
    ['Careful rivers carry boats.', 'Careful rivers carry boats.', 'as composed'],
    ['Careful rivers carry boats.', '', 'taken out'],
    ['Careful rivers carry boats.', ' \n ', 'taken out'],
    ['Careful rivers carry boats.', 'CAREFUL Rivers hold hats.', 'changed'],
    ['Careful rivers carry boats.', 'Careful horses hold hats.', 'own words'],
    // Of few content words each counts; where there are none, every word does.
    ['Well done!', 'Well then!', 'changed'],
    ['Well done!', 'Not so!', 'own words'],
    ['…', 'Something.', 'own words'],
  ])('%s / %s: %s', (composed, now, expected) => {
    expect(fidelity({ ...sentenceAt(0, composed), end: now.length }, now)).toBe(expected)
  })
})

describe('what is said next', () => {
  const subject = { name: 'Sam', family: '', pronouns: they, possessives: 'apostrophe and s' as const }
  const say = (phrase: string, spoken: Spoken = nothingSpoken, pronouns = they) =>
    saySentence(tokensWith(parsePhrase(phrase), {}), { ...subject, pronouns }, spoken, [])
  const named: Spoken = { named: true, sentencesSinceName: 1, othersMeant: false }

  it('counts the sentences since the name, and remembers whether others were spoken of', () => {
    expect(say('{They} {reads}.').spoken).toEqual({ named: true, sentencesSinceName: 1, othersMeant: false })
    expect(say('{They} {reads}.', named).spoken).toEqual({ named: true, sentencesSinceName: 2, othersMeant: false })
    expect(say('It shows.').spoken).toEqual({ named: false, sentencesSinceName: 1, othersMeant: false })
    expect(say('{They} {helps} friends.', named).spoken.othersMeant).toBe(true)
    expect(say('{They} {helps} friends.', named, she).spoken.othersMeant).toBe(false)
    expect(couldBeMeant('Sam helps friends.', 'name only')).toBe(false)
  })

  it('has one space, none before a stop, and a name without a family name alone', () => {
    expect(say('{They} {reads}  ,  well .', named).text).toBe('They read, well.')
    expect(say('{Full name} {reads}.').text).toBe('Sam reads.')
    expect(say('It is "fine" , isn\'t it ?', named).text).toBe('It is “fine”, isn’t it?')
  })

  it('introduces by the first word that can, an owner with its ending', () => {
    expect(say('{Their} book helps {them}.').text).toBe('Sam’s book helps them.')
    expect(say('We help {them} with {their} book.').text).toBe('We help Sam with their book.')
    expect(say('{Their} book is theirs.', { ...named, sentencesSinceName: 3 }).text).toBe('Sam’s book is theirs.')
    expect(say('With {their} book {they} {reads}.', { ...named, sentencesSinceName: 3 }).text).toBe(
      'With their book Sam reads.',
    )
  })
})
