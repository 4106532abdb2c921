import { anyOf } from '../text/pattern'
import { betweenSubjectAndVerb, irregularPast, singularVerbs } from '../narrative/frame/verbWords'

// Names that are also words. Whether the name or the word is meant is told by the place in the sentence.

/** Names that are English words in ordinary use at the beginning of a sentence; ours. */
const words = new Set(
  `Will Grace River Mark May June April August Joy Hope Faith Art Rose Summer Autumn Bill Bright Iris Ivy Lily
Miles Penny Rich Rob Sandy Sky Violet Daisy Ruby Pearl Frank Jack Rusty Chase Hunter Mason Page Reed Star
Robin Jay Dash Kit Dawn Eve Holly Heather Hazel Olive Ginger Melody Harmony Justice Patience Precious Sage
Storm Sunny True Victor Ray Drew Guy Dean Duke King Prince An In So My Sun Song Young Long Ally Bay Wren`.split(/\s+/),
)

/** Names that are pronouns where a sentence begins with them. */
const pronouns = new Set(['He', 'She', 'They', 'Her', 'His', 'We', 'You', 'It', 'Me', 'Us', 'I', 'Ze', 'Xe'])

/**
 * Whether a name is a word as well, so that the word alone does not tell the child.
 * @example isAlsoAWord('Will') // true
 */
export function isAlsoAWord(name: string): boolean {
  return words.has(name) || pronouns.has(name)
}

const months = new Set(['May', 'June', 'April', 'August'])

/** What a month stands after. */
const beforeMonth = new RegExp(
  String.raw`\b(?:${anyOf(`in of since until till by from to during last next this early late mid through before after
    between and`)}|\d+(?:st|nd|rd|th)?)\s+$`,
  'i',
)

/**
 * Whether a word that is somebody's name stands in its other meaning: "Will she …?", "in May", "He reads" in a class
 * with a He.
 * @param text folded (foldedText)
 * @param at where the name begins
 * @example isTheWord('Will', 'Will he come?', 0) // true; in "Will reads." false
 */
export function isTheWord(name: string, text: string, at: number): boolean {
  const before = text.slice(0, at)
  if (months.has(name) && beforeMonth.test(before)) return true
  const opens = /(^|[.!?:]["”’')]?\s+|\n\s*)["“‘']?$|["“]$/.test(before)
  if (!opens) return false
  if (pronouns.has(name)) return true
  return words.has(name) && !actsLikeSomebody(text.slice(at + name.length))
}

/** "Grace reads", "May forgot", "Will also has", "River's idea": what follows is what somebody does or owns. */
function actsLikeSomebody(after: string): boolean {
  if (/^'s\s/.test(after)) return true
  const [first = '', second = ''] = (/^\s+([\p{L}']+)(?:\s+([\p{L}']+))?/u.exec(after) ?? []).slice(1)
  return isVerbOfOne(first) || (betweenSubjectAndVerb.test(first) && isVerbOfOne(second))
}

function isVerbOfOne(word: string): boolean {
  return singularVerbs.has(word) || word === 'was' || irregularPast.has(word) || /^\p{Ll}{2,}ed$/u.test(word)
}
