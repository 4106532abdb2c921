import { LocalLinter } from 'harper.js'
import { binary } from 'harper.js/binary'
import { beforeAll, describe, expect, it } from 'vitest'
import { draftClass, draftComment, type DraftRequest } from '../../core/narrative/draftComment'
import type { CommentBox } from '../../core/narrative/plan'
import { he, readPronouns, she, they, type Pronouns } from '../../core/people/pronouns'
import { draftRequest } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import { tiers, type Tier } from '../../core/scales/tier'
import { demoClass } from './demoClass'

// Source: harper.js (npm), an independent grammar checker. Spelling is left out: names and school words are not in its
// dictionary, and what is promised here is agreement, articles, repetition, capitals and spaces.
const linter = new LocalLinter({ binary })
const record = demoClass()
const pronounSets: Pronouns[] = [she, he, they, 'name only', readPronouns('xe/xem/xyr/xyrs/xemself') ?? 'name only']
const promised = /agree|article|a\/an|repeat|capital|space|spacing|pronoun/i
const names = ['Maya', 'Tomas']
/** Said first, so that the phrase that follows is said with pronouns. */
const introduction = { id: 'introduction', subject: 'any', part: 'opening' as const, about: 'any', tiers: [], text: '{Name} {has} been here all term.' }

beforeAll(async () => { await linter.setup() })

async function findings(text: string): Promise<string[]> {
  const lints = await linter.lint(text)
  return lints.map((lint) => `${lint.lint_kind()}: ${lint.message()} [${lint.get_problem_text()}] in “${text}”`).filter((finding) => promised.test(finding.split(' in “')[0] ?? ''))
}

/** A request for one phrase alone, in a box whose plan has only its part. */
function requestFor(box: CommentBox, tier: Tier, pronouns: Pronouns, name: string): DraftRequest {
  const because = [{ kind: 'mark' as const, text: 'for the test', termId: 't' }]
  const standings = Object.fromEntries(box.plan.map(({ about }) => [about, { about, tier, because }]))
  return {
    studentId: name, subject: { name, pronouns, possessives: 'apostrophe and s' }, box,
    facts: { termId: 't', termName: 'Winter term', subjectName: 'science', mark: { about: 'mark', tier, because }, standings, bestWork: null },
  }
}

describe('composed comments, read by an independent grammar checker', () => {
  it('finds what is wrong, so that finding nothing means something', async () => {
    expect(await findings('She have a excellent plan and and writes.')).not.toEqual([])
  })

  it('every phrase at every one of its levels in every pronoun set', async () => {
    const texts = new Set<string>()
    for (const phrase of record.phrasebook.phrases) {
      for (const box of record.boxes) {
        for (const tier of phrase.tiers.length > 0 ? phrase.tiers : tiers) {
          for (const pronouns of pronounSets) {
            for (const name of names) {
              // The phrase as it stands alone, with the name, and as it stands after the name was said.
              const plan = box.plan.some((part) => part.about === phrase.about) ? box.plan.filter((part) => ['opening', phrase.part].includes(part.part) && ['any', 'weakest', phrase.about].includes(part.about)) : box.plan
              for (const phrases of [[phrase], [introduction, phrase]]) {
                const { text } = draftComment(requestFor({ ...box, plan, limit: 2000 }, tier, pronouns, name), { ...record.phrasebook, phrases })
                if (text !== '') texts.add(text)
              }
            }
          }
        }
      }
    }
    expect(texts.size).toBeGreaterThan(record.phrasebook.phrases.length)
    const found: string[] = []
    for (const text of texts) found.push(...await findings(text))
    expect(found).toEqual([])
  }, 300_000)

  it('every comment of the demo class, in five pronoun sets', async () => {
    const index = indexRecord(record)
    const found: string[] = []
    for (const pronouns of pronounSets) {
      for (const box of record.boxes) {
        const requests = record.students.map((student) => draftRequest(index, { ...student, pronouns }, box))
        for (const { text } of draftClass(requests, record.phrasebook)) if (text !== '') found.push(...await findings(text))
      }
    }
    expect(found).toEqual([])
  }, 300_000)
})
