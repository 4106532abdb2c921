import { memoizeWords } from '../memoize'
import type { RatedFact } from '../narrative/because'
import { contentWords, familyOf } from '../narrative/wordFamily'

/** Words that stand for one thing where schools talk of habits; ours. */
const kindred = [
  ['others', 'group', 'groups', 'team', 'partner', 'partners', 'classmates', 'together', 'cooperates'],
  ['time', 'punctual', 'due', 'deadline', 'deadlines'],
  ['hard', 'difficult', 'stuck', 'problem', 'challenge'],
  ['ready', 'prepared', 'equipment'],
  ['listens', 'attention', 'attentive'],
].map((words) => new Set(words.map(familyOf)))

/** So much of a skill's words names it. */
const enough = 0.6

/**
 * Which of these skills and habits a clause speaks of: those most of whose words it has, or one word that no other of
 * them has.
 * @param common families that say nothing here, such as the subject's own name
 * @param byOneWord whether one such word is enough
 * @example spokenOf('Graphs are hard for her.', skills, new Set()) // the one that draws and reads graphs
 */
export function spokenOf<Worded extends Pick<RatedFact, 'familyWords' | 'kind'>>(
  clause: string,
  worded: readonly Worded[],
  common: ReadonlySet<string>,
  byOneWord = true,
): Worded[] {
  const said = new Set(contentWords(clause).map(familyOf))
  const wordsOfEach = worded.map((each) => familiesOf(each.familyWords).filter((family) => !common.has(family)))
  return worded.filter((each, at) => {
    const own = wordsOfEach[at] ?? []
    const matched = own.filter((family) => said.has(family) || (each.kind === 'habit' && hasKindred(family, said)))
    const alone = matched.some((family) => !wordsOfEach.some((other, nth) => nth !== at && other.includes(family)))
    return own.length > 0 && (matched.length / own.length >= enough || (byOneWord && alone))
  })
}

function hasKindred(family: string, said: ReadonlySet<string>): boolean {
  return kindred.some((words) => words.has(family) && [...words].some((each) => said.has(each)))
}

/** More than two schools have of skills and habits. */
const mostWorded = 5000

/** The families of a skill's words. */
export const familiesOf = memoizeWords(mostWorded, (words): readonly string[] => [
  ...new Set(contentWords(words).map(familyOf)),
])
