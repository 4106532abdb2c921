import { beforeAll, describe, expect, it } from 'vitest'
import type { DraftsAnswer } from '../../contracts/answers'
import type { PhraseChange, PhraseToWrite, PhraseUses } from '../../contracts/phrasebook'
import { writePlan } from '../../core/narrative/plan'
import type { Phrase } from '../../core/narrative/phrase'
import { signedInAs, type Client } from './client'
import { juniper, see, type DemoPlace } from './school'

let ines: Client
let philippa: Client
let place: DemoPlace
const record = async (who: Client = ines) => (await see(who, place.path)).record
const phrasesOf = async (who: Client): Promise<readonly Phrase[]> => (await record(who)).phrasebook.phrases
/** Writes phrases as somebody does who has just looked at them. */
const write = async (who: Client, phrases: Partial<PhraseToWrite>[], removed: string[] = []) => {
  const standing = new Map((await phrasesOf(who)).map((phrase) => [phrase.id, phrase]))
  const was = (id: string | undefined): object | null => standing.get(id ?? '') ?? null
  return who<{ event: number | null; message: string }>('PUT', `${place.yearPath}/phrasebook/phrases`, {
    phrases: phrases.map((phrase) => ({ was: was(phrase.id), ...phrase })),
    removed: removed.map((id) => ({ id, was: was(id) })),
  })
}
const fresh = (id: string, text: string, more: Partial<PhraseToWrite> = {}): Partial<PhraseToWrite> => ({
  id,
  subject: 'art',
  part: 'outcome',
  about: 'Making',
  tiers: ['sound'],
  uneven: false,
  moves: [],
  text,
  tone: '',
  grades: null,
  claims: null,
  owner: 'mine',
  ...more,
})

beforeAll(async () => {
  ines = await signedInAs('ines')
  philippa = await signedInAs('philippa')
  place = await juniper(ines)
})

describe('phrases', () => {
  it('of one’s own are seen and changed by nobody else', async () => {
    expect(
      (await write(ines, [fresh('mine-1', '{They} {paints} the weir.', { tone: 'warm', grades: { from: 4, to: 6 } })]))
        .status,
    ).toBe(200)
    expect((await phrasesOf(ines)).find((phrase) => phrase.id === 'mine-1')).toMatchObject({
      text: '{They} {paints} the weir.',
      tone: 'warm',
      grades: { from: 4, to: 6 },
      tiers: ['sound'],
    })
    expect(
      (await write(ines, [fresh('mine-uneven', '{They} {paints}.', { uneven: true, tiers: ['growing'] })])).status,
    ).toBe(200)
    expect((await phrasesOf(ines)).find((phrase) => phrase.id === 'mine-uneven')).toMatchObject({
      uneven: true,
      tiers: ['growing'],
    })
    expect((await phrasesOf(philippa)).some((phrase) => phrase.id === 'mine-1')).toBe(false)
    expect((await write(philippa, [fresh('mine-1', 'Taken over.', { owner: 'school' })])).status).toBe(403)
    expect((await write(philippa, [], ['mine-1'])).status).toBe(403)
    expect((await write(ines, [fresh('mine-1', 'Given away.', { owner: 'school' })])).status).toBe(403)
    expect((await philippa<PhraseChange[]>('GET', `${place.yearPath}/phrasebook/history?phrase=mine-1`)).body).toEqual(
      [],
    )
    expect(
      (await ines<PhraseChange[]>('GET', `${place.yearPath}/phrasebook/history?phrase=mine-1`)).body,
    ).toMatchObject([{ before: null, after: '{They} {paints} the weir.', by: 'Ines Calloway', undoable: true }])
  })

  it('of the school have a history and can be undone, in one step, whole or not at all', async () => {
    const [first, second] = (await phrasesOf(philippa)).filter((phrase) => phrase.owner === null).slice(10)
    if (!first || !second) throw new Error('no phrases')
    const asSchool = (phrase: Phrase, text: string) => ({ ...phrase, text, owner: 'school' as const })
    const bad = await write(philippa, [asSchool(first, 'Fine words.'), asSchool(second, '{They {writes}.')])
    expect([bad.status, bad.body.message]).toEqual([422, expect.stringMatching(/At character 1: a “}”/)])
    expect((await phrasesOf(philippa)).find((phrase) => phrase.id === first.id)?.text).toBe(first.text)
    const { body } = await write(philippa, [asSchool(first, 'Fine words.')], [second.id])
    expect(
      (await phrasesOf(ines))
        .filter((phrase) => [first.id, second.id].includes(phrase.id))
        .map((phrase) => phrase.text),
    ).toEqual(['Fine words.'])
    expect((await ines('POST', `/api/events/${body.event}/undo`)).status).toBe(403)
    expect((await philippa('POST', `/api/events/${body.event}/undo`)).status).toBe(200)
    expect((await phrasesOf(ines)).filter((phrase) => [first.id, second.id].includes(phrase.id))).toEqual([
      first,
      second,
    ])
    expect(
      (await philippa<PhraseChange[]>('GET', `${place.yearPath}/phrasebook/history?phrase=${first.id}`)).body.map(
        (change) => change.after,
      ),
    ).toEqual([first.text, 'Fine words.'])
  })

  it('are not overwritten unseen', async () => {
    await write(ines, [fresh('mine-2', 'One.')])
    const seen = (text: string) => ({ was: { ...fresh('mine-2', text), id: undefined } as PhraseToWrite['was'] })
    const answer = await write(ines, [fresh('mine-2', 'Three.', seen('Two.'))])
    expect([answer.status, answer.body.message]).toEqual([409, expect.stringMatching(/changed elsewhere/)])
    expect((await write(ines, [fresh('mine-2', 'Three.', seen('One.'))])).status).toBe(200)
    expect((await write(ines, [], ['mine-2'])).status).toBe(200)
  })

  it.each([
    [{ text: ' ' }, /needs words/],
    [{ subject: 'alchemy' }, /no subject “alchemy”/],
    [{ part: 'moral' as never }, /part/],
    [{ tiers: ['best'] as never }, /tiers/],
    [{ part: 'closing' as const, about: 'any', uneven: true }, /Only an outcome can be uneven/],
    [{ grades: { from: 6, to: 4 } }, /lower to the higher/],
    [{ text: 'x'.repeat(401) }, /under 400/],
  ])('with %j are refused', async (more, message) => {
    const answer = await write(ines, [fresh('bad', 'Good words.', more)])
    expect(answer.status).toBe(422)
    expect(answer.body.message).toMatch(message)
  })

  it('that change redraft what was drafted, and leave own words alone', async () => {
    const drafts = await ines<DraftsAnswer>('POST', `${place.path}/drafts`, { box: 'reading', where: 'empty' })
    const [one, two] = drafts.body.comments
    if (!one || !two) throw new Error('no drafts')
    const ids = one.sentences.flatMap((sentence) => sentence.phraseIds)
    const phrase = (await phrasesOf(philippa)).find((each) => ids.includes(each.id) && each.part === 'next step')
    const used = phrase?.id ?? ''
    if (!phrase) throw new Error('no phrase')
    await ines('PUT', `${place.path}/comment`, { ...two, text: `${two.text} So there.`, ownWords: true })
    const uses = (ask: Client) =>
      ask<PhraseUses[]>(
        'GET',
        `${place.yearPath}/phrasebook/uses/${place.answer.record.term.id}?phrase=${encodeURIComponent(used)}`,
      )
    const said = drafts.body.comments.filter((comment) =>
      comment.sentences.some((sentence) => sentence.phraseIds.includes(used)),
    )
    const kept = said.filter((comment) => comment.studentId === two.studentId).length
    expect((await uses(philippa)).body).toEqual([
      { classId: place.answer.record.classRoom.id, className: '5 Juniper', drafts: said.length - kept, staying: kept },
    ])
    // Who does not teach a class does not learn what is said there.
    expect((await uses(await signedInAs('marek'))).body).toEqual([])
    await write(philippa, [{ ...phrase, text: '{They} {sails} along like a paper boat.', owner: 'school' }])
    const again = await ines<DraftsAnswer>('POST', `${place.path}/drafts`, {
      box: 'reading',
      where: 'empty and drafts',
    })
    expect(again.body.comments.find((comment) => comment.studentId === one.studentId)?.text).toMatch(
      /sails? along like a paper boat/,
    )
    expect(again.body.comments.length).toBeLessThan(4)
    expect(
      (await record()).comments.find((comment) => comment.studentId === two.studentId && comment.box === 'reading')
        ?.text,
    ).toBe(`${two.text} So there.`)
    await write(philippa, [{ ...phrase, owner: 'school' }])
    for (const comment of (await record()).comments.filter((each) => each.box === 'reading'))
      await ines('PUT', `${place.path}/comment`, {
        ...comment,
        text: '',
        sentences: [],
        ownWords: false,
        status: 'in draft',
      })
  })
})

describe('the school’s own set-up of writing', () => {
  it('takes describing words, refuses what is none, and undoes', async () => {
    const before = (await record()).phrasebook.describing.sound
    const { body } = await philippa<{ event: number }>('PUT', `${place.yearPath}/phrasebook/describing`, {
      tier: 'sound',
      words: ['steady', 'careful'],
      was: before,
    })
    expect((await record()).phrasebook.describing.sound).toEqual(['steady', 'careful'])
    await philippa('POST', `/api/events/${body.event}/undo`)
    expect((await record()).phrasebook.describing.sound).toEqual(before)
    expect(
      (
        await philippa('PUT', `${place.yearPath}/phrasebook/describing`, {
          tier: 'sound',
          words: ['Very good'],
          was: before,
        })
      ).status,
    ).toBe(422)
    expect(
      (
        await philippa('PUT', `${place.yearPath}/phrasebook/describing`, {
          tier: 'sound',
          words: ['fine', 'fine'],
          was: before,
        })
      ).status,
    ).toBe(422)
  })
  it('takes a plan and refuses one that names what is not there', async () => {
    const before = (await record()).boxes.find((box) => box.key === 'music')
    const { body } = await philippa<{ event: number }>('PUT', `${place.yearPath}/boxes/music/plan`, {
      plan: 'outcome Playing when high or low; next step Listening',
      was: writePlan(before?.plan ?? []),
    })
    expect(
      (await record()).boxes.find((box) => box.key === 'music')?.plan.map((part) => [part.part, part.about, part.when]),
    ).toEqual([
      ['outcome', 'Playing', 'high or low'],
      ['next step', 'Listening', null],
    ])
    await philippa('POST', `/api/events/${body.event}/undo`)
    expect((await record()).boxes.find((box) => box.key === 'music')).toEqual(before)
    for (const [plan, message] of [
      ['outcome Singing', /no strand “Singing”/],
      ['moral', /no part/],
      ['habit Neatness', /no habit/],
    ] as const) {
      const answer = await philippa<{ message: string }>('PUT', `${place.yearPath}/boxes/music/plan`, {
        plan,
        was: writePlan(before?.plan ?? []),
      })
      expect([answer.status, answer.body.message]).toEqual([422, expect.stringMatching(message)])
    }
  })
  it('remembers what a teacher has said is right, and takes it back', async () => {
    const accept = (right: boolean) =>
      ines<{ event: number | null }>('PUT', `${place.path}/accepted`, {
        studentId: place.student('Umi').id,
        box: 'science',
        check: 'another name',
        words: 'Zoë',
        right,
      })
    await accept(true)
    const mine = async () =>
      (await record()).accepted.filter(
        (each) => each.studentId === place.student('Umi').id && each.box === 'science' && each.words === 'Zoë',
      )
    expect(await mine()).toEqual([
      { studentId: place.student('Umi').id, box: 'science', check: 'another name', words: 'Zoë' },
    ])
    expect((await accept(true)).body.event).toBeNull()
    await accept(false)
    expect(await mine()).toEqual([])
  })
})
