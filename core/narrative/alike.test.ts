import fc from 'fast-check'
import { expect, it } from 'vitest'
import { phrase } from '../../tests/exampleDraft'
import { TextsOfOthers, type Comparing } from './alike'
import { readyPhrase, type ReadyPhrase } from './readyPhrase'

const words = ['maps', 'plans', 'reads', 'finds', 'keeps', 'often', 'well', 'now', 'here', 'still', 'soon', 'both']
const aPhrase = fc
  .array(fc.constantFrom(...words), { minLength: 1, maxLength: 9 })
  .map((each) => readyPhrase(phrase(each.join(' '), each.join(' '))))
const aText = fc.array(aPhrase, { minLength: 1, maxLength: 4 })

function given(texts: readonly (readonly ReadyPhrase[])[]): TextsOfOthers {
  const of = new TextsOfOthers()
  texts.forEach((text) => of.add(text))
  return of
}

function jaccard(one: readonly ReadyPhrase[], other: readonly ReadyPhrase[]): number {
  const [a, b] = [one, other].map((text) => new Set(text.flatMap(({ fixed }) => fixed.toLowerCase().split(/\W+/))))
  const both = [...(a ?? [])].filter((word) => b?.has(word)).length
  return both / ((a?.size ?? 0) + (b?.size ?? 0) - both)
}

/** Each phrase of a text, one after another, beside all the others. */
function expectEach(compared: Comparing, text: readonly ReadyPhrase[], inTurn: readonly number[], most: number): void {
  for (const at of inTurn) {
    compared.beside(text.toSpliced(at, 1).map((phrase) => ({ phrase })))
    for (const last of text.slice(at, at + 1)) {
      expect(compared.exactly(last)).toBeCloseTo(most, 9)
      expect(compared.atLeast(last)).toBeLessThanOrEqual(compared.exactly(last))
    }
  }
}

it('a text is as like the most alike of others as Jaccard’s index says, whichever phrase is asked about last', () => {
  fc.assert(
    fc.property(fc.array(aText, { minLength: 1, maxLength: 40 }), aText, (others, text) => {
      const of = given(others)
      // Thirty are compared with, the last ones.
      const most = Math.max(...others.slice(-30).map((other) => jaccard(text, other)))
      expect(of.mostAlike(text)).toBeCloseTo(most, 9)
      // Asked beside one choice of the others after another, some of which begin alike; and anew once a text has come.
      const inTurn = [...text.keys()]
      expectEach(of.comparing(), text, inTurn, most)
      of.add(text)
      expectEach(of.comparing(), text, inTurn.toReversed(), 1)
    }),
  )
})

it('a text that is taken back was never there, and others may come in its place', () => {
  fc.assert(
    fc.property(
      fc.array(aText, { minLength: 2, maxLength: 30 }),
      fc.nat(),
      aText,
      aText,
      (others, nth, later, text) => {
        const at = nth % others.length
        const of = given(others)
        const besides = of.mostAlikeBesides(others[at] ?? [])
        of.takeBack(others[at] ?? [])
        // It is looked at beside all others while it stands among them.
        expect(besides).toBeCloseTo(of.mostAlike(others[at] ?? []), 9)
        const left = given(others.toSpliced(at, 1))
        expect(of.mostAlike(text)).toBeCloseTo(left.mostAlike(text), 9)
        for (const each of [of, left]) each.add(later)
        expect(of.mostAlike(text)).toBeCloseTo(left.mostAlike(text), 9)
        for (const one of text) expect(of.wordsHeard(one)).toBeCloseTo(left.wordsHeard(one), 9)
      },
    ),
  )
})

it('words are heard by the share of the others’ texts that have them', () => {
  const texts = ['reads maps', 'reads plans', 'finds maps'].map((text) => [readyPhrase(phrase(text, text))])
  const of = given(texts)
  expect(of.wordsHeard(readyPhrase(phrase('x', 'reads soon')))).toBeCloseTo(2 / 3, 9)
  expect(of.wordsHeard(readyPhrase(phrase('y', 'maps, plans and finds')))).toBeCloseTo(4 / 3, 9)
})
