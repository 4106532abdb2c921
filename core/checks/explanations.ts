import type { CheckKey } from '../record/checkKeys'

/**
 * What is said of a finding, for the teacher, by its check and, where a check finds several things, by what it found:
 * what stands there, and what was to be expected. What is said of slips, stops and spaces stands with each of their
 * patterns (slips.ts, spacing.ts), and a language checker has words of its own.
 */
export const explanations = {
  'another name': {
    ofClassmate: (name: string, own: string) => `${name} is a classmate of ${own}.`,
    ofYear: (name: string) => `${name} is a student of this year.`,
  },
  'another subject': {
    skill: (skill: string, subject: string) => `This is about “${skill}”, which belongs to ${subject}.`,
    name: (found: string, subject: string) => `This is the comment on ${subject}; “${found}” is another subject.`,
  },
  'another time': (found: string, term: string) => `This report is of ${term}: is “${found}” left over from another?`,
  'blank left': (found: string) => `“${found}” looks like a blank that was not filled in.`,
  'comment without mark': (box: string) => `There is a comment in ${box} but no settled mark or level.`,
  'contradicts the level': (found: string, settled: string) => `“${found}” does not go with ${settled}.`,
  'contradicts the record': {
    claim: (found: string, recorded: string) => `“${found}”, but ${recorded}.`,
    rise: (found: string, fact: string, before: string) =>
      `“${found}”, but it has gone down since last term: ${fact}, ${before} then.`,
    fall: (found: string, fact: string, before: string) =>
      `“${found}”, but nothing has gone down since last term: ${fact}, ${before} then.`,
    count: (found: string, recorded: number, of: string) => `“${found}”, but the record has ${recorded} (${of}).`,
    score: (found: string) => `“${found}” is no result on record here.`,
  },
  'describing word twice': (found: string, before: string) => `“${found}” comes after “${before}” in the same comment.`,
  'empty': (name: string, box: string) => `${name} has nothing in ${box} yet.`,
  'hard to read': (grade: string, target: number) =>
    `The comment reads at grade ${grade}; the school’s target is ${target}. This sentence is the hardest.`,
  'mark and levels differ': (mark: string) =>
    `${mark}; the levels say otherwise. The family reads both and may ask why.`,
  'mark without comment': (name: string, box: string) => `${name} has a mark in ${box} and no comment yet.`,
  'name missing': (name: string) => `The text never names ${name}.`,
  'not settled': (about: string) => `Nothing is settled for ${about}, so the plan has nothing to say of it.`,
  'out of step': (then: string, now: string) => `Written from “${then}”; today: ${now || 'nothing is settled'}.`,
  'own name': (found: string, name: string) => `${name} is written “${found}” here.`,
  'private matter': (found: string, about: string) => `“${found}” touches on ${about}. A report may be read by many.`,
  'pronoun': {
    leftOver: (found: string, name: string) => `“${found}” was meant to become ${name}’s own pronoun.`,
    notTheirs: (found: string, name: string) => `“${found}” is not the pronoun of ${name}.`,
    cannotStand: (found: string) => `“${found}” cannot stand in this place.`,
  },
  'read it first': {
    littleKnown: (name: string) => `Little is known of this term. ${asFamily(name)}`,
    difficulties: (name: string) => `All that was rated here is a difficulty. ${asFamily(name)}`,
    fall: (name: string, skill: string) => `There is a fall by two levels or more: ${skill}. ${asFamily(name)}`,
  },
  'repeated word': (found: string) => `“${found}” stands here twice.`,
  'same text': (whose: string) => `This is also ${whose} text, or nearly.`,
  'too long': (length: number, box: string, limit: number) => `${length} characters; ${box} holds ${limit}.`,
  'very short': (length: number, limit: number) => `${length} characters in a box for ${limit}.`,
  'word not wanted': (found: string) => `The school does not want “${found}” in a report.`,
} as const satisfies Record<Exclude<CheckKey, 'grammar' | 'spelling' | 'spacing'>, Explained>

type Explanation = (...found: never[]) => string
type Explained = Explanation | Readonly<Record<string, Explanation>>

function asFamily(name: string): string {
  return `Read it as ${name}’s family will.`
}
