import { Dialect, LocalLinter } from 'harper.js'
import { binary } from 'harper.js/binary'
import { beforeAll, describe, expect, it } from 'vitest'
import { languageFindings } from '../../core/checks/languageRemarks'
import { remarksOf } from '../../core/checks/remarksOf'
import { knownWords, readableComment } from '../../core/checks/withLanguage'
import type { DraftRequest } from '../../core/narrative/draftRequest'
import { draftClass } from '../../core/narrative/draftClass'
import { draftComment } from '../../core/narrative/draftComment'
import { countGraphemes } from '../../core/narrative/graphemes'
import type { Move, Phrase } from '../../core/narrative/phrase'
import type { Pronouns } from '../../core/people/pronouns'
import { draftRequest } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import type { Student } from '../../core/record/roster'
import { tiers, type Tier } from '../../core/scales/tier'
import { phrase as plainPhrase, pronounSets, requestOf, standing } from '../exampleDraft'
import { demoClass } from './demoClass'

// Source: harper.js (npm), an independent grammar checker. Spelling is left out: names and school words are not in its
// dictionary, and what is promised here is agreement, articles, repetition, capitals and spaces.
const linter = new LocalLinter({ binary, dialect: Dialect.British })
const record = demoClass()
const promised = /agree|article|a\/an|repeat|capital|space|spacing|pronoun/i

/**
 * Names of many shapes: short and long, of several parts, with accents, apostrophes, hyphens, hissing and silent
 * endings.
 */
const names =
  `Maya,Tomas,Zoë,James,Louis,Max,Inez,Alice,Ng,Bo,Mary Ann,Jean-Luc,Hyun-woo,O’Shea,N’Diaye,D’Arcy,Anaïs,José,Søren,Łukasz,Björk,Chloë,Siân,Niamh,
Caoimhe,Xochitl,Aaliyah,Ulysses,Iris,Agnes,Beatriz,Maximiliano,Princess,Eve,Ivor,Otto,Una,Eugene,Hugh,Wolfgangus`.split(
    /,\s*/,
  )

/** So many of them a phrase meets at each of its levels in each set: all forty cost five minutes and found no more. */
const namesEach = 2

/** Said first, so that the phrase that follows is said with pronouns. */
const introduction = plainPhrase('introduction', '{Name} {has} been here all term.', { part: 'opening' })

beforeAll(async () => {
  await linter.setup()
})

async function findings(text: string): Promise<string[]> {
  const lints = await linter.lint(text)
  return lints
    .map(
      (lint) =>
        `${lint.lint_kind()}: ${lint.message()} [${lint.get_problem_text()}] in “${around(text, lint.span().start)}”`,
    )
    .filter((finding) => promised.test(finding.split(' in “')[0] ?? ''))
}

/** The paragraph in which something was found. */
function around(text: string, at: number): string {
  const before = text.lastIndexOf('\n\n', at)
  const after = text.indexOf('\n\n', at)
  return text.slice(before < 0 ? 0 : before + 2, after < 0 ? text.length : after)
}

/** In the general comment only openings and closings speak of no habit. */
function speaksOfHabit({ part, subject }: Phrase): boolean {
  return part === 'habit' || (subject === 'general' && part !== 'opening' && part !== 'closing')
}

/** A request in which one phrase can be said, at one of its tiers and with everything that it may tell. */
function requestFor(phrase: Phrase, tier: Tier, pronouns: Pronouns, name: string): DraftRequest {
  const from: Record<Move, number> = { up: -1, same: 0, down: 1 }
  const before =
    tiers[tiers.indexOf(tier) + from[phrase.moves[0] ?? 'up']] ?? (phrase.moves[0] === 'down' ? 'top' : 'starting')
  const about = phrase.about === 'any' ? 'Number' : phrase.about
  const skills = {
    strongestSkill: { text: 'adding and subtracting large numbers', because: null },
    weakestSkill: { text: 'measuring length, volume and time', because: null },
  }
  const fact = {
    ...standing(about, tier, before),
    ...skills,
    skills: {
      words: {
        does: '{keeps} going when the work is hard',
        do: 'keep going when the work is hard',
        doing: 'keeping going when the work is hard',
      },
      because: { kind: 'habit' as const, about: 'words', text: 'for the test', tier: null, termId: 't' },
    },
    kind: speaksOfHabit(phrase) ? ('habit' as const) : ('strand' as const),
    uneven: phrase.uneven,
    because: [{ kind: 'skill level' as const, about, text: 'for the test', tier, termId: 't' }],
  }
  const made = requestOf({ name, pronouns, seed: name, standings: [fact], limit: 2000 })
  const sayable = Object.fromEntries(
    Object.entries({
      'subject': 'science',
      'term': 'winter term',
      'best work': 'The weir',
      'best work date': '19 November',
      'best result': '18 out of 20',
      'strengths': 'number and measuring',
      'mark': 'Excellent (A)',
      'attendance': '60 of 62 days',
    }).map(([key, text]) => [key, { text, because: null }]),
  )
  const part = {
    part: phrase.part,
    about: phrase.part === 'opening' || phrase.part === 'closing' ? 'any' : about,
    when: null,
    sharesSentence: false,
  }
  const opening = { part: 'opening' as const, about: 'any', when: null, sharesSentence: false }
  // A comment needs one part that speaks of something.
  const anchor = { part: 'outcome' as const, about, when: null, sharesSentence: false }
  const plan =
    phrase.part === 'opening'
      ? [part, anchor]
      : phrase.part === 'outcome'
        ? [opening, part]
        : phrase.part === 'closing'
          ? [opening, anchor, part]
          : [opening, part]
  return {
    ...made,
    grade: null,
    box: { ...made.box, subject: phrase.subject === 'general' ? null : phrase.subject, plan },
    facts: { ...made.facts, mark: { ...fact, about: 'mark' }, sayable: { ...made.facts.sayable, ...sayable } },
  }
}

describe('composed comments, read by an independent grammar checker', () => {
  it('finds what is wrong, so that finding nothing means something', async () => {
    expect(await findings('She have a excellent plan and and writes.')).not.toEqual([])
  })

  // Each phrase is said at each of its levels in each pronoun set; which names it meets there goes round.
  it('every phrase at every one of its levels in every pronoun set, with forty names going round', async () => {
    const texts = new Set<string>()
    const said = new Set<string>()
    for (const [at, shipped] of record.phrasebook.phrases.entries()) {
      // What is only offered reads as well as what is said.
      const phrase = { ...shipped, claims: 'level' as const }
      const levels = phrase.tiers.length > 0 ? phrase.tiers : tiers
      for (const [level, tier] of levels.entries()) {
        for (const [set, pronouns] of pronounSets.entries()) {
          const turn = level * pronounSets.length + set
          const met = names.filter((_, nth) => (nth + at) % (levels.length * pronounSets.length) === turn)
          for (const name of met.slice(0, namesEach)) {
            const anchor = plainPhrase('anchor', 'Here is more.', {
              about: phrase.about === 'any' ? 'Number' : phrase.about,
            })
            // The phrase as it stands alone, with the name, and as it stands after the name was said.
            // Words that may be left out are.
            const bare = { ...phrase, text: phrase.text.replace(/\[.*?\]/g, '') }
            for (const phrases of [
              [phrase, anchor],
              [introduction, phrase, anchor],
              ...(bare.text === phrase.text ? [] : [[introduction, bare, anchor]]),
            ]) {
              const draft = draftComment(requestFor(phrase, tier, pronouns, name), {
                ...record.phrasebook,
                phrases: phrase.part === 'outcome' ? phrases.filter((each) => each !== anchor) : phrases,
              })
              const sentence = draft.sentences.find((each) => each.phraseIds.includes(phrase.id))
              if (sentence) said.add(phrase.id)
              if (sentence) texts.add(sentence.composed)
            }
          }
        }
      }
    }
    expect(record.phrasebook.phrases.filter((phrase) => !said.has(phrase.id)).map((phrase) => phrase.id)).toEqual([])
    const found: string[] = []
    const all = [...texts]
    // Many comments at once, each a paragraph of its own: the checker takes its time to begin.
    for (let from = 0; from < all.length; from += 200)
      found.push(...(await findings(all.slice(from, from + 200).join('\n\n'))))
    expect(found).toEqual([])
  }, 3_600_000)

  it('has nothing at all to remark on the demo class’s comments, as the application asks it and shows what it says', async () => {
    const index = indexRecord(record)
    const known = knownWords(record)
    const found: string[] = []
    for (const box of record.boxes) {
      for (const [at, { text }] of draftClass(
        record.students,
        (student) => draftRequest(index, student, box),
        record.phrasebook,
      ).entries()) {
        const student = record.students[at]
        if (!student) continue
        const readable = readableComment(text, student, record).text
        const remarks = remarksOf(await linter.organizedLints(readable, { language: 'plaintext' }), readable)
        found.push(
          ...languageFindings(remarks, text, known).map(
            (finding) => `${finding.why} [${text.slice(finding.start, finding.end)}] in “${text}”`,
          ),
        )
      }
    }
    expect(found).toEqual([])
  }, 300_000)

  it('every comment of the demo class, in five pronoun sets, within its limit', async () => {
    const index = indexRecord(record)
    const texts: string[] = []
    for (const pronouns of pronounSets) {
      for (const box of record.boxes) {
        const requestFor = (student: Student): DraftRequest => draftRequest(index, { ...student, pronouns }, box)
        for (const { text } of draftClass(record.students, requestFor, record.phrasebook)) {
          expect(countGraphemes(text)).toBeLessThanOrEqual(box.limit)
          if (text !== '') texts.push(text)
        }
      }
    }
    expect(texts.length).toBeGreaterThan(5 * record.boxes.length * 22)
    expect(await findings(texts.join('\n\n'))).toEqual([])
  }, 300_000)
})
