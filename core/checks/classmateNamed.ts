import type { Check } from './finding'

/**
 * Another student's name. A name that is also an English word (Will, Grace, River) counts only where it cannot be the
 * word: with a capital inside a sentence.
 */
export const classmateNamed: Check = ({ index, student, comment }) => {
  const text = comment?.text ?? ''
  const others = new Set(index.record.students.filter((each) => each.id !== student.id).flatMap((each) => [each.usedName, each.legalGiven]))
  others.delete(student.usedName)
  others.delete(student.legalGiven)
  return [...others].flatMap((name) =>
    [...text.matchAll(new RegExp(`(?<![\\p{L}-])${escaped(name)}(?![\\p{L}-])`, 'gu'))]
      .filter((match) => !beginsSentence(text, match.index) || !englishWords.has(name))
      .map((match) => ({ check: 'another name', why: `${name} is a classmate of ${student.usedName}.`, start: match.index, end: match.index + name.length })))
}

/** Names of English words that often open a sentence; ours, to be lengthened by use. */
const englishWords = new Set(['Will', 'Grace', 'River', 'Mark', 'May', 'June', 'April', 'Joy', 'Hope', 'Faith', 'Art', 'Rose', 'Summer', 'Autumn', 'Bill', 'Bright', 'Iris', 'Ivy', 'Lily', 'Max', 'Miles', 'Penny', 'Rich', 'Rob', 'Sandy', 'Sky', 'Violet'])

function beginsSentence(text: string, at: number): boolean {
  return at === 0 || /[.!?]["”’]?\s+$/.test(text.slice(0, at))
}

function escaped(name: string): string {
  return name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
}
