import fc from 'fast-check'
import { diff3Merge } from 'node-diff3'
import { describe, expect, it } from 'vitest'
import { anyRequest, phrase, requestOf, smallBook, standing } from '../../tests/exampleDraft'
import type { Tier } from '../scales/tier'
import type { DraftSentence } from './because'
import type { DraftRequest } from './draftRequest'
import { draftComment } from './draftComment'
import { fidelity, followEdits } from './followEdits'
import { countGraphemes } from './graphemes'
import { proposeInStep, staleSentences } from './outOfStep'
import { partKey, readPlan } from './plan'
import { unsaidParts } from './unsaid'
import { rewordComment, rewordSentence } from './reword'

const plan = readPlan('opening; outcome Number; outcome Shape; outcome Data; closing')
const book = {
  ...smallBook,
  phrases: [
    ...smallBook.phrases,
    ...(['top', 'growing'] as Tier[]).flatMap((tier) => [
      phrase(`data-${tier}`, `Graphs are ${tier === 'top' ? 'easy' : 'hard'} for {them}.`, {
        about: 'Data',
        tiers: [tier],
      }),
      phrase(
        `data-${tier}-long`,
        `With graphs and tables {they} {has} ${tier === 'top' ? 'no' : 'some'} trouble these days, I am told.`,
        { about: 'Data', tiers: [tier] },
      ),
    ]),
  ],
}
const request = (data: Tier, number: Tier = 'sound'): DraftRequest => {
  const made = requestOf({
    standings: [standing('Number', number), standing('Shape', 'sound'), standing('Data', data)],
  })
  return { ...made, box: { ...made.box, plan } }
}
const draft = draftComment(request('growing'), book)
const at = (part: string): number => draft.sentences.findIndex((sentence) => sentence.parts.includes(part))

describe('following a teacher’s edits', () => {
  it('moves what stands after a change, keeps a changed sentence’s because, and knows what was taken out', () => {
    const number = draft.sentences[at('outcome Number')] as DraftSentence
    const typed = `${draft.text.slice(0, number.end - 1)} with great joy${draft.text.slice(number.end - 1)}`
    const followed = followEdits(draft.sentences, draft.text, typed)
    expect(followed.map((sentence) => fidelity(sentence, typed))).toEqual(
      draft.sentences.map((_, index) => (index === at('outcome Number') ? 'changed' : 'as composed')),
    )
    const gone = typed.slice(0, number.start) + typed.slice(number.end + ' with great joy '.length)
    expect(fidelity(followEdits(followed, typed, gone)[at('outcome Number')] as DraftSentence, gone)).toBe('taken out')
  })
  it('says where it can follow no further', () => {
    const number = draft.sentences[at('outcome Number')] as DraftSentence
    let text = draft.text
    let sentences = draft.sentences
    const own = 'We had a fine day at the museum.'
    // As it is typed: the sentence goes letter by letter, then the new words come.
    for (const next of [
      text.slice(0, number.start) + text.slice(number.end),
      text.slice(0, number.start) + own + text.slice(number.end),
    ]) {
      sentences = followEdits(sentences, text, next)
      text = next
    }
    expect(sentences.filter((sentence) => fidelity(sentence, text) === 'as composed')).toHaveLength(
      draft.sentences.length - 1,
    )
    expect(sentences.map((sentence) => text.slice(sentence.start, sentence.end))).not.toContain(number.composed)
  })
  it('keeps every untouched sentence, wherever words are put in, taken out or exchanged', () => {
    fc.assert(
      fc.property(fc.nat(draft.text.length), fc.nat(30), fc.string(), (from, removed, added) => {
        const next = draft.text.slice(0, from) + added + draft.text.slice(from + removed)
        const followed = followEdits(draft.sentences, draft.text, next)
        followed.forEach((sentence, index) => {
          expect(sentence.start).toBeLessThanOrEqual(sentence.end)
          expect(sentence.end).toBeLessThanOrEqual(next.length)
          const before = draft.sentences[index] as DraftSentence
          if (before.end < from || before.start > from + removed)
            expect(next.slice(sentence.start, sentence.end)).toBe(before.composed)
        })
      }),
    )
  })
})

describe('out of step', () => {
  it('holds while the level does, and not when it changes or is taken back', () => {
    expect(staleSentences(draft.sentences, request('growing'))).toEqual([])
    expect(staleSentences(draft.sentences, request('top')).map(({ at: which }) => which)).toEqual([at('outcome Data')])
    const without = request('growing')
    expect(staleSentences(draft.sentences, { ...without, facts: { ...without.facts, standings: [] } })).toHaveLength(3)
  })
  it('proposes the new sentence and keeps what the teacher wrote beside it', () => {
    const mine = `${draft.text} We had a fine day at the museum.`
    const proposal = proposeInStep(mine, draft.sentences, request('top'), book)
    const old = draft.sentences[at('outcome Data')]?.composed ?? ''
    const fresh = proposal?.merged?.sentences[at('outcome Data')]?.composed ?? ''
    expect(fresh).toMatch(/easy|no trouble/)
    expect(proposal?.merged?.text).toBe(mine.replace(old, fresh))
    expect(proposal?.merged?.sentences.map((sentence) => fidelity(sentence, proposal.merged?.text ?? ''))).toEqual(
      draft.sentences.map(() => 'as composed'),
    )
    expect(proposeInStep(mine, draft.sentences, request('growing'), book)).toBeNull()
  })
  it('shows a conflict where the teacher has changed the very sentence, and settles nothing silently', () => {
    const old = draft.sentences[at('outcome Data')] as DraftSentence
    const mine = draft.text.slice(0, old.end - 1) + ', but not for long' + draft.text.slice(old.end - 1)
    const proposal = proposeInStep(mine, followEdits(draft.sentences, draft.text, mine), request('top'), book)
    expect(proposal?.merged).toBeNull()
    expect(proposal?.pieces.filter((piece) => piece.kind === 'conflict')).toMatchObject([
      { mine: mine.slice(old.start, old.end + ', but not for long'.length) },
    ])
    // What the teacher may choose instead: the new sentence, with its reason, and the rest as it stands.
    const fresh = proposal?.overMine.sentences[at('outcome Data')] as DraftSentence
    expect(proposal?.overMine.text).toBe(draft.text.replace(old.composed, fresh.composed))
    expect(fresh.because).toMatchObject([{ tier: 'top' }])
  })
  it('takes a sentence out whose fact is gone, and leaves no double space', () => {
    const without = request('growing')
    const standings = without.facts.standings.filter((each) => each.about !== 'Data')
    const merged = proposeInStep(
      draft.text,
      draft.sentences,
      { ...without, facts: { ...without.facts, standings } },
      book,
    )?.merged
    expect(merged?.text).toBe(draft.text.replace(`${draft.sentences[at('outcome Data')]?.composed} `, ''))
    expect(merged?.sentences.map((sentence) => merged.text.slice(sentence.start, sentence.end))).toEqual(
      merged?.sentences.map((sentence) => sentence.composed),
    )
  })

  // Source: the npm package "node-diff3", a three-way merge over lines; here each sentence is one.
  it('agrees with a general three-way merge wherever that finds no conflict', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Tier>('top', 'growing'),
        fc.constantFrom<Tier>('sound', 'top'),
        fc.array(fc.nat(5), { maxLength: 3 }),
        (data, number, added) => {
          const base = draft.sentences.map((sentence) => sentence.composed)
          let mine = draft.text
          let sentences = draft.sentences
          for (const [nth, place] of added.entries()) {
            const spot = sentences[Math.min(place, sentences.length - 1)]?.end ?? 0
            const next = `${mine.slice(0, spot)} Own words ${nth}.${mine.slice(spot)}`
            sentences = followEdits(sentences, mine, next)
            mine = next
          }
          const merged = proposeInStep(mine, sentences, request(data, number), book)?.merged
          if (!merged) return
          const theirs = base.map((sentence, index) =>
            merged.sentences[index]?.composed !== sentence ? (merged.sentences[index]?.composed ?? '') : sentence,
          )
          const general = diff3Merge(mine.match(/[^.]+\./g)?.map((each) => each.trim()) ?? [], base, theirs)
          if (general.every((region) => region.ok))
            expect(merged.text).toBe(general.flatMap((region) => region.ok ?? []).join(' '))
        },
      ),
    )
  })
})

describe('what a comment does not say', () => {
  const names = (unsaid: ReturnType<typeof unsaidParts>): string[] => unsaid.map(({ about, why }) => `${about}: ${why}`)
  it('is nothing of a whole draft, and leaves out what does not apply', () => {
    expect(unsaidParts(draft.sentences, request('growing'), book)).toEqual([])
  })
  it('is what is not settled, what no phrase is for, what there was no room for, and what has been settled since', () => {
    const whole = request('growing')
    const standings = whole.facts.standings.filter((each) => each.about !== 'Data')
    const before = { ...whole, facts: { ...whole.facts, standings } }
    const short = draftComment(before, book)
    expect(names(unsaidParts(short.sentences, before, book))).toEqual(['Data: nothing is settled'])
    expect(names(unsaidParts(short.sentences, whole, book))).toEqual(['Data: it can be said by now'])
    const without = { ...book, phrases: book.phrases.filter((each) => each.about !== 'Data') }
    expect(names(unsaidParts(draftComment(whole, without).sentences, whole, without))).toEqual([
      'Data: there is no phrase for it',
    ])
    const tight = { ...whole, box: { ...whole.box, limit: 70 } }
    expect(unsaidParts(draftComment(tight, book).sentences, tight, book).map(({ why }) => why)).toContain(
      'there is no room',
    )
  })
})

it('says of every part of every plan that it stands in the comment, or does not apply, or why it is not said', () => {
  fc.assert(
    fc.property(anyRequest, (request) => {
      const made = draftComment(request, smallBook)
      const said = made.sentences.flatMap((sentence) => sentence.parts)
      const unsaid = unsaidParts(made.sentences, request, smallBook).map(partKey)
      const applying = request.box.plan
        .map(partKey)
        .filter((key) => !made.leftOut.some((each) => partKey(each) === key && each.why === 'it does not apply'))
      expect([...said, ...unsaid].toSorted()).toEqual(applying.toSorted())
    }),
  )
})

describe('another wording', () => {
  it('of the whole comment is the next best, each time another until all were shown', () => {
    const shown = new Map<string, number>()
    const seen = new Set<string>()
    let now = draft
    for (let times = 0; times < 4; times += 1) {
      seen.add(now.text)
      for (const id of now.sentences.flatMap((sentence) => sentence.phraseIds)) shown.set(id, (shown.get(id) ?? 0) + 1)
      now = rewordComment(request('growing'), now, 'another', { phrasebook: book, shown }) ?? now
    }
    expect(seen.size).toBe(4)
  })
  it('is shorter or longer within the limit, or is not given', () => {
    const shorter = rewordComment(request('growing'), draft, 'shorter', { phrasebook: book, shown: new Map() })
    expect(countGraphemes(shorter?.text ?? '')).toBeLessThan(countGraphemes(draft.text))
    const longer = rewordComment(request('growing'), shorter ?? draft, 'longer', { phrasebook: book, shown: new Map() })
    expect(countGraphemes(longer?.text ?? '')).toBeGreaterThan(countGraphemes(shorter?.text ?? ''))
    const tight = request('growing')
    expect(
      rewordComment({ ...tight, box: { ...tight.box, limit: draft.text.length } }, draft, 'longer', {
        phrasebook: book,
        shown: new Map(),
      }),
    ).toBeNull()
  })
  it('of one sentence leaves all others as they stand, the teacher’s own words among them', () => {
    const mine = `Dear family! ${draft.text} Yours.`
    const standing = { text: mine, sentences: followEdits(draft.sentences, draft.text, mine) }
    const which = at('outcome Data')
    const shown = new Map((draft.sentences[which]?.phraseIds ?? []).map((id) => [id, 1]))
    const other = rewordSentence(request('growing'), standing, which, { phrasebook: book, shown })
    expect(other?.text).toBe(
      mine.replace(draft.sentences[which]?.composed ?? '', other?.sentences[which]?.composed ?? ''),
    )
    expect(other?.text).not.toBe(mine)
    expect(other?.sentences.map((sentence) => fidelity(sentence, other.text))).toEqual(
      draft.sentences.map(() => 'as composed'),
    )
  })
  it('changes the length by a tenth, and by a dozen characters at least', () => {
    const of = (texts: string[]) => {
      const phrases = texts.map((text, nth) => phrase(`w${nth}`, text, { about: 'Number', tiers: ['sound'] }))
      const made = requestOf({ standings: [standing('Number', 'sound')] })
      const asked = { ...made, box: { ...made.box, plan: readPlan('outcome Number') } }
      const words = { phrasebook: { phrases, describing: book.describing }, shown: new Map([['w0', 1]]) }
      const first = draftComment(
        { ...asked, standing: new Set(['w0']) },
        { ...words.phrasebook, phrases: phrases.slice(0, 1) },
      )
      return (['another', 'shorter', 'longer'] as const).map(
        (way) => rewordComment(asked, first, way, words)?.text ?? null,
      )
    }
    const text = (length: number): string => `Counts ${'a'.repeat(length - 8)}.`
    expect(of([text(50)])).toEqual([null, null, null])
    expect(of([text(50), text(39), text(61)])[0]).not.toBeNull()
    expect(of([text(50), text(39), text(61)]).slice(1)).toEqual([null, null])
    expect(of([text(50), text(38), text(62)]).slice(1)).toEqual([text(38), text(62)])
    expect(of([text(200), text(181), text(219)]).slice(1)).toEqual([null, null])
    expect(of([text(200), text(180), text(220)]).slice(1)).toEqual([text(180), text(220)])
  })

  it('of one sentence is given where there is one, the box has room, and it was composed', () => {
    const which = at('outcome Data')
    const words = { phrasebook: book, shown: new Map(draft.sentences[which]?.phraseIds.map((id) => [id, 1])) }
    const limit = (more: number) => {
      const asked = request('growing')
      return { ...asked, box: { ...asked.box, limit: countGraphemes(draft.text) + more } }
    }
    const shorter = rewordSentence(limit(0), draft, which, words) ?? draft
    const grown = countGraphemes(draft.text) - countGraphemes(shorter.text)
    expect(grown).toBeGreaterThan(0)
    expect(shorter.sentences).toHaveLength(draft.sentences.length)
    // From the shorter one back to the longer: as far as the box has room.
    const back = { phrasebook: book, shown: new Map(shorter.sentences[which]?.phraseIds.map((id) => [id, 1])) }
    expect(rewordSentence(limit(0), shorter, which, back)?.text).toBe(draft.text)
    expect(rewordSentence(limit(-1), shorter, which, back)).toBeNull()
    const only = {
      ...words,
      phrasebook: {
        ...book,
        phrases: book.phrases.filter(({ id }) => !/^data/.test(id) || draft.sentences[which]?.phraseIds.includes(id)),
      },
    }
    expect(rewordSentence(limit(200), draft, which, only)).toBeNull()
    expect(rewordSentence(limit(200), draft, 99, words)).toBeNull()
    const own = { ...draft, sentences: draft.sentences.map((each) => ({ ...each, parts: [] })) }
    expect(rewordSentence(limit(200), own, which, words)).toBeNull()
    // A part that the facts no longer bear gives no sentence at all.
    const gone = { ...limit(200), facts: { ...limit(200).facts, standings: [standing('Number', 'sound')] } }
    expect(rewordSentence(gone, draft, which, words)).toBeNull()
  })
})
