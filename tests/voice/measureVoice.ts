import { diceCoefficient } from 'dice-coefficient'
import { contradictedClaims } from '../../core/narrative/against'
import type { Draft, DraftSentence } from '../../core/narrative/because'
import { claimedBy } from '../../core/narrative/openParts'
import { indexPhrases } from '../../core/narrative/phraseIndex'
import type { ClassRecord } from '../../core/record/classRecord'
import { writeComments } from '../../core/record/draftBox'
import { narrativeFacts } from '../../core/record/narrativeFacts'
import { indexRecord } from '../../core/record/recordIndex'
import type { Student } from '../../core/record/roster'

/** One comment as it was composed. */
export interface Written {
  readonly student: Student
  readonly box: string
  readonly draft: Pick<Draft, 'text' | 'sentences'>
}

/** Every box of a class as it is drafted, box by box. */
export function writeAll(record: ClassRecord): Written[] {
  const students = new Map(record.students.map((student) => [student.id, student]))
  return writeComments({ ...record, comments: [] }).flatMap(({ studentId, box, text, sentences }) => {
    const student = students.get(studentId)
    return student ? [{ student, box, draft: { text, sentences } }] : []
  })
}

export interface VoiceFigures {
  readonly comments: number
  readonly sentences: number
  /** Sentences that claim what nobody recorded. */
  readonly invented: number
  /** Comments that what is counted speaks against. */
  readonly contradicted: number
  /** Children in whose report a sentence stands twice or more. */
  readonly saidTwice: number
  /** Of all pairs of classmates in one box: those who share a sentence, and those who share three or more. */
  readonly sharing: number
  readonly sharingThree: number
  /** Jaccard's index of the word sets of the two most alike comments in one box; and by box. */
  readonly mostAlike: number
  readonly mostAlikeIn: ReadonlyMap<string, number>
  /** The commonest skeleton, and the share of comments that have it. */
  readonly skeleton: readonly [string, number]
  /** Comments that say nothing of how the child does. */
  readonly saysNothing: number
  readonly flow: Flow
}

interface Flow {
  readonly factsPerSentence: number
  readonly beginsWithChild: number
  readonly longestRun: number
  readonly wordsPerSentence: number
  readonly spread: number
  readonly withConnective: number
}

/** @param among whose comments are compared word by word; all where left out */
export function measureVoice(record: ClassRecord, among?: ReadonlySet<string>): VoiceFigures {
  const written = writeAll(record).filter(({ draft }) => draft.text !== '')
  const said = written.flatMap((each) => each.draft.sentences.map((sentence) => ({ ...each, sentence })))
  const pairs = pairsOf(written)
  const mostAlikeIn = new Map<string, number>()
  for (const [a, b] of pairs)
    if (!among || (among.has(a.student.id) && among.has(b.student.id)))
      mostAlikeIn.set(a.box, Math.max(mostAlikeIn.get(a.box) ?? 0, likeness(a, b)))
  return {
    comments: written.length,
    sentences: said.length,
    invented: said.filter(({ student, box, sentence }) => isInvented(record, student, box, sentence)).length,
    contradicted: written.filter((each) => isContradicted(record, each)).length,
    saidTwice: record.students.filter(({ id }) => {
      const own = said.filter(({ student }) => student.id === id).map(({ sentence }) => sentence.composed)
      return new Set(own).size < own.length
    }).length,
    sharing: share(pairs, ([a, b]) => shared(a, b) > 0),
    sharingThree: share(pairs, ([a, b]) => shared(a, b) > 2),
    mostAlike: Math.max(0, ...mostAlikeIn.values()),
    mostAlikeIn,
    skeleton: commonest(record, written),
    saysNothing: written.filter(({ draft }) => !draft.sentences.some(saysHowTheChildDoes)).length,
    flow: flowOf(said.map(({ sentence, ...each }) => ({ ...each, sentence }))),
  }
}

function isInvented(record: ClassRecord, student: Student, box: string, { phraseIds }: DraftSentence): boolean {
  const { byId } = indexPhrases(record.phrasebook)
  const where = record.boxes.find(({ key }) => key === box)
  return phraseIds.some((id) => {
    const phrase = byId(id)
    return (
      phrase !== undefined &&
      where !== undefined &&
      claimedBy(phrase, narrativeFacts(indexRecord(record), student.id, where)) === 'particular'
    )
  })
}

function isContradicted(record: ClassRecord, { student, box, draft }: Written): boolean {
  const where = record.boxes.find(({ key }) => key === box)
  return (
    where !== undefined &&
    contradictedClaims(draft.text, narrativeFacts(indexRecord(record), student.id, where)).length > 0
  )
}

function pairsOf(written: readonly Written[]): [Written, Written][] {
  return written.flatMap((a, at) =>
    written.slice(at + 1).flatMap((b): [Written, Written][] => (a.box === b.box ? [[a, b]] : [])),
  )
}

/** A sentence without who it is about: what two families would read as the same. */
function withoutName(text: string, { usedName }: Student): string {
  return text
    .replaceAll(usedName, 'N')
    .replace(/N’s?(?= )/g, 'their')
    .replace(/\b(she|he|they|ze|N)\b/gi, 'they')
    .replace(/\b(her|his|their|zir|hers|theirs|zirs|him|them)\b/gi, 'their')
    .replace(/\b(is|are|has|have|does|do|was|were|knows?|needs?)\b/g, 'is')
    .toLowerCase()
}

function shared(a: Written, b: Written): number {
  const own = new Set(a.draft.sentences.map(({ composed }) => withoutName(composed, a.student)))
  return b.draft.sentences.filter(({ composed }) => own.has(withoutName(composed, b.student))).length
}

/** The share of words that two comments have in common, names apart: Jaccard's index from Dice's, of the package. */
export function likeness(a: Written, b: Written): number {
  const [one, other] = [a, b].map(({ draft, student }) => [
    ...new Set(withoutName(draft.text, student).match(/\p{L}+/gu) ?? []),
  ])
  const dice = diceCoefficient(one ?? [], other ?? [])
  // A half is a half, not a little less.
  return Math.round((dice / (2 - dice)) * 1e9) / 1e9
}

/** A sentence's make: the shape in which it is told, or a phrase's first words. */
function skeletonsOf(record: ClassRecord, { draft }: Written): Set<string> {
  const { byId } = indexPhrases(record.phrasebook)
  return new Set(
    draft.sentences.flatMap(({ phraseIds }) =>
      phraseIds.map((id) => (byId(id)?.frame ?? id).split('\u0000').at(-1) ?? id),
    ),
  )
}

function commonest(record: ClassRecord, written: readonly Written[]): [string, number] {
  const counts = new Map<string, number>()
  for (const each of written)
    for (const skeleton of skeletonsOf(record, each)) counts.set(skeleton, (counts.get(skeleton) ?? 0) + 1)
  const [most] = [...counts].toSorted(([, a], [, b]) => b - a)
  return most ? [most[0], most[1] / written.length] : ['', 0]
}

function saysHowTheChildDoes({ because }: DraftSentence): boolean {
  return because.some(({ kind }) => kind !== 'always' && kind !== 'attendance')
}

const connective =
  /\b(and now|but|while|also|as in|since|than|compared with|the same|just as|because|or with|of all|above all|so far|next|from here|to go on|now|in the (autumn|spring|summer|winter))\b|;/i

function flowOf(said: readonly { student: Student; box: string; sentence: DraftSentence }[]): Flow {
  const lengths = said.map(({ sentence }) => sentence.composed.split(/\s+/).length)
  const mean = lengths.reduce((sum, each) => sum + each, 0) / lengths.length
  const variance = lengths.reduce((sum, each) => sum + (each - mean) ** 2, 0) / lengths.length
  const begins = said.map(({ student, sentence }) => beginsWithChild(sentence.composed, student))
  return {
    factsPerSentence: said.reduce((sum, { sentence }) => sum + factsIn(sentence), 0) / said.length,
    beginsWithChild: begins.filter(Boolean).length / said.length,
    longestRun: longestRun(said, begins),
    wordsPerSentence: mean,
    spread: Math.sqrt(variance),
    withConnective: said.filter(({ sentence }) => connective.test(sentence.composed)).length / said.length,
  }
}

/** A level, and where it is said that it moved or stayed, that too; a step or a wish counts as one. */
function factsIn({ because, composed, parts }: DraftSentence): number {
  if (parts.every((part) => /^(next step|help at home)/.test(part))) return 1
  const told = new Set(because.filter(({ kind }) => kind !== 'always' && kind !== 'trend').map(({ about }) => about))
  const trends = /\b(since|than|as in|from the|in the autumn)\b/.test(composed)
    ? because.filter(({ kind }) => kind === 'trend').length
    : 0
  return Math.max(1, told.size + trends)
}

function beginsWithChild(text: string, { usedName }: Student): boolean {
  return text.startsWith(usedName) || /^(She|He|They|Ze|Her|His|Their|Zir)\b/.test(text)
}

function longestRun(said: readonly { student: Student; box: string }[], begins: readonly boolean[]): number {
  let longest = 0
  let run = 0
  said.forEach(({ student, box }, at) => {
    const last = said[at - 1]
    const goesOn = last?.student.id === student.id && last.box === box
    run = begins[at] ? (goesOn ? run + 1 : 1) : 0
    longest = Math.max(longest, run)
  })
  return longest
}

function share<T>(items: readonly T[], holds: (item: T) => boolean): number {
  return items.length === 0 ? 0 : items.filter(holds).length / items.length
}
