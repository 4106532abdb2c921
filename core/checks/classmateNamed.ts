import { possessiveOf } from '../narrative/possessive'
import type { Student } from '../record/roster'
import { exactWords } from '../school/checkSettings'
import type { Check } from './finding'
import { write } from './finding'

/**
 * Another student's name: of the class first, then of the year. A name that is also an English word (Will, Grace,
 * River) counts only where it cannot be the word: with a capital inside a sentence. The title of a piece of work
 * names nobody.
 */
export const classmateNamed: Check = ({ index, student, text }) => {
  const { students, namesInYear, school } = index.record
  const titles = [...text.matchAll(exactWords(...index.record.work.map(({ title }) => title)))].map((match) => ({
    from: match.index,
    to: match.index + match[0].length,
  }))
  const inClass = new Set(students.flatMap((each) => [each.usedName, each.legalGiven]))
  return [...text.matchAll(exactWords(...inClass, ...namesInYear))].flatMap((match) => {
    const [name] = match
    const at = match.index
    // Longer names are looked for first: "Ana" is nobody inside "Ana Lucia", where that is the student's own name.
    if (isOwn(name, student) || (englishWords.has(name) && beginsSentence(text, at))) return []
    if (titles.some((title) => title.from <= at && at + name.length <= title.to && title.to - title.from > name.length))
      return []
    const owner = /^[’']s/.exec(text.slice(at + name.length))?.[0] ?? ''
    const end = at + name.length + owner.length
    const instead = owner === '' ? student.usedName : possessiveOf(student.usedName, school.possessives)
    const whose = inClass.has(name) ? `a classmate of ${student.usedName}` : 'a student of this year'
    return [{ check: 'another name', why: `${name} is ${whose}.`, start: at, end, mends: [write(instead, at, end)] }]
  })
}

function isOwn(name: string, { usedName, legalGiven, family }: Student): boolean {
  return [usedName, legalGiven, family].includes(name)
}

/** Names that are English words in ordinary use at the beginning of a sentence; ours. */
const englishWords = new Set(
  `Will Grace River Mark May June April August Joy Hope Faith Art Rose Summer Autumn Bill Bright Iris Ivy Lily
Miles Penny Rich Rob Sandy Sky Violet Daisy Ruby Pearl Frank Jack Rusty Chase Hunter Mason Page Reed Star
Robin Jay Dash Kit Dawn Eve Holly Heather Hazel Olive Ginger Melody Harmony Justice Patience Precious Sage
Storm Sunny True Victor Ray Drew Guy Dean Duke King Prince`.split(/\s+/),
)

function beginsSentence(text: string, at: number): boolean {
  return /(^|[.!?]["”’]?\s+)["“‘]?$/.test(text.slice(0, at))
}
