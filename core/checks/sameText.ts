import { editDistance } from '../narrative/editDistance'
import { listOf } from '../narrative/listOf'
import { possessiveOf } from '../narrative/possessive'
import type { StudentComment } from '../record/termRecord'
import { explanations } from './explanations'
import type { Check } from './finding'
import { ofWhole } from './finding'

/** Texts that differ in no more than this share of their words are nearly the same; ours. */
const nearly = 0.12

/** The same text, or nearly, for two students, names and pronouns aside. */
export const sameText: Check = (input) => {
  const { index, student, box, comment, text } = input
  if (!comment || text.trim() === '') return []
  const own = wordsWithoutNames(comment, student.usedName)
  const twins = index.record.students.filter(
    (each) => each.id !== student.id && isNear(own, index.commentOf(each.id, box.key), each.usedName),
  )
  if (twins.length === 0) return []
  const names = listOf(twins.map((each) => each.usedName))
  return [ofWhole('same text', explanations['same text'](possessiveOf(names, index.record.school.possessives)), input)]
}

function isNear(own: readonly string[], other: StudentComment | undefined, name: string): boolean {
  if (!other || other.text.trim() === '') return false
  const words = wordsWithoutNames(other, name)
  const atMost = Math.floor(Math.max(own.length, words.length) * nearly)
  if (Math.abs(own.length - words.length) > atMost) return false
  return shared(own, words) >= Math.min(own.length, words.length) - atMost && editDistance(own, words, atMost) <= atMost
}

/** How many words two texts have in common, whatever their order: a quick bound before the exact comparison. */
function shared(a: readonly string[], b: readonly string[]): number {
  const counts = new Map<string, number>()
  for (const word of a) counts.set(word, (counts.get(word) ?? 0) + 1)
  return b.reduce((sum, word) => {
    const left = counts.get(word) ?? 0
    counts.set(word, left - 1)
    return left > 0 ? sum + 1 : sum
  }, 0)
}

const known = new WeakMap<StudentComment, readonly string[]>()

function wordsWithoutNames(comment: StudentComment, name: string): readonly string[] {
  const made =
    known.get(comment) ??
    comment.text
      .replaceAll(name, '…')
      .toLocaleLowerCase('en')
      .replace(
        /\b(she|he|they|her|him|them|his|their|hers|theirs|herself|himself|themself|xe|xem|xyr|xyrs|xemself)\b/g,
        '…',
      )
      .match(/[\p{L}\p{N}…]+/gu) ??
    []
  known.set(comment, made)
  return made
}
