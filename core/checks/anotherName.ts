import { possessiveOf } from '../narrative/possessive'
import type { Student } from '../record/roster'
import { exactWords } from '../school/checkSettings'
import { explanations } from './explanations'
import type { Check } from './finding'
import { write } from './finding'
import { foldedText } from './foldedText'
import { isTheWord } from './wordLikeName'

/**
 * Another student's name: of the class first, then of the year; however its accents and apostrophes are typed. A name
 * that is also an English word (Will, Grace, River, He) counts only where it cannot be the word. The title of a piece
 * of work names nobody.
 */
export const anotherName: Check = ({ index, student, text }) => {
  const { students, namesInYear, school, work } = index.record
  const plain = foldedText(text)
  const titles = placesOf(
    plain,
    work.map(({ title }) => title),
  )
  const inClass = new Set(students.flatMap((each) => [each.usedName, each.legalGiven]).map(foldedText))
  const own = new Set([student.usedName, student.legalGiven, student.family].map(foldedText))
  return placesOf(plain, [...inClass, ...namesInYear.map(foldedText)]).flatMap(({ from, to }) => {
    const name = plain.slice(from, to)
    // Longer names are looked for first: "Ana" is nobody inside "Ana Lucia", where that is the student's own name.
    if (own.has(name) || isTheWord(name, plain, from)) return []
    if (titles.some((title) => title.from <= from && to <= title.to && title.to - title.from > name.length)) return []
    const owner = /^'s/.exec(plain.slice(to))?.[0] ?? ''
    const end = to + owner.length
    const instead = owner === '' ? student.usedName : possessiveOf(student.usedName, school.possessives)
    const { ofClassmate, ofYear } = explanations['another name']
    const found = text.slice(from, to)
    const why = inClass.has(name) ? ofClassmate(found, student.usedName) : ofYear(found)
    return [{ check: 'another name', why, start: from, end, mends: [write(instead, from, end)] }]
  })
}

function placesOf(plain: string, words: Iterable<string>): { from: number; to: number }[] {
  return [...plain.matchAll(exactWords(...words))].map((match) => ({
    from: match.index,
    to: match.index + match[0].length,
  }))
}

/** A word that may be a name as it is written: with a capital, its parts together. */
export const capitalised = /(?<![\p{L}\p{M}'’-])\p{Lu}[\p{L}\p{M}]+(?:['’-]\p{L}[\p{L}\p{M}]+)*/gu

/** All names that a class's text may rightly hold, folded: of its children, part by part too, and of the year. */
export function namesOfClass(students: readonly Student[], namesInYear: readonly string[]): ReadonlySet<string> {
  const whole = [...students.flatMap((each) => [each.usedName, each.legalGiven, each.family]), ...namesInYear]
  return new Set(whole.flatMap((name) => [name, ...name.split(/[\s-]/)]).map(foldedText))
}
