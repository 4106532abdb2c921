import { distance } from 'fastest-levenshtein'
import { singularVerbs } from '../narrative/frame/verbWords'
import { nameKey } from '../people/names'
import { capitalised, namesOfClass } from './anotherName'
import { explanations } from './explanations'
import type { Check } from './finding'
import { write } from './finding'
import { foldedText } from './foldedText'

/** Words with a capital of their own that are nobody; ours. */
const nobody = new Set(
  `January February March April May June July August September October November December Monday Tuesday Wednesday
Thursday Friday Saturday Sunday English French German Spanish Latin Grade Year Class Easter Christmas`.split(/\s+/),
)

/** A name that is nearly the student's own: with a letter too many, too few or another, or without its accents. */
export const ownName: Check = ({ index, student, text }) => {
  const { students, namesInYear } = index.record
  const own = student.usedName
  const known = namesOfClass(students, namesInYear)
  const rightly = new Set([own, ...own.split(/[\s-]/)].map((name) => name.replaceAll('’', "'")))
  return [...text.matchAll(capitalised)].flatMap((match) => {
    const written = match[0].replace(/['’]s$/, '')
    const [start, end] = [match.index, match.index + written.length]
    if (rightly.has(written.replaceAll('’', "'")) || nobody.has(written)) return []
    const sameLetters = bare(written) === bare(own)
    if (!sameLetters && (known.has(foldedText(written)) || !isNearly(written, own, text.slice(end)))) return []
    const opens = /(^|[.!?]["”’)]?\s+)["“‘]?$/.test(text.slice(0, start))
    if (!sameLetters && opens && !followedByVerb(text.slice(end))) return []
    const why = explanations['own name'](written, own)
    return [{ check: 'own name', why, start, end, mends: [write(own, start, end)] }]
  })
}

function bare(name: string): string {
  return nameKey(name).replace(/['\s-]/g, '')
}

/** A letter or two off, in names long enough for that to be no other name. */
function isNearly(written: string, own: string, after: string): boolean {
  const [one, other] = [bare(written), bare(own)]
  if (Math.min(one.length, other.length) < 4 || /^\s+\d/.test(after) || one[0] !== other[0]) return false
  return distance(one, other) <= (other.length >= 5 ? 2 : 1)
}

/** A sentence's first word has a capital by its place; a name there is followed by what somebody does or owns. */
function followedByVerb(after: string): boolean {
  const [, word = ''] = /^\s+([\p{L}']+)/u.exec(after) ?? []
  return /^['’]s\s/.test(after) || singularVerbs.has(word) || /^(\p{Ll}{2,}ed|was|had|can|could)$/u.test(word)
}
