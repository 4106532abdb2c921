import { mostCompared } from './alike'
import type { Draft } from './because'
import { Classmates, phrasesIn } from './classmates'
import { compose, composeAgain, type Composed } from './draftComment'
import type { DraftRequest } from './draftRequest'
import type { Phrasebook } from './phrase'

/**
 * Writes the comments of a class for one box, in the order of the class list. Deterministic: the same requests and
 * phrasebook give the same texts. No two students get the very same sentences while another choice is left; and what is
 * too like a classmate's is chosen anew, in the same order.
 * @param students whoever the comments are for; a request is made when it is needed, so that a large class is never
 *   held whole
 * @param classmates what those have whose texts stand; what is written is added to it
 */
export function draftClass<Student>(
  students: readonly Student[],
  requestFor: (student: Student) => DraftRequest,
  phrasebook: Phrasebook,
  classmates: Classmates = new Classmates(),
): Draft[] {
  const drafts: Draft[] = []
  /** Those that classmates are still compared with: what lies further back is done, and need not be held. */
  const lately: Composed[] = []
  for (const student of students) {
    const made = compose(requestFor(student), phrasebook, classmates)
    classmates.add(made.chosen)
    drafts.push(made.draft)
    lately.push(made)
    if (lately.length > mostCompared) lately.shift()
  }
  // Whoever came first was written for without knowing the others.
  const since = drafts.length - lately.length
  for (const [at, before] of lately.entries()) drafts[since + at] = lessAlike(before, phrasebook, classmates).draft
  return drafts
}

/** From here on a comment is looked at again: with a lower bound the time grows, and hardly anything else. */
const lookedAtAgain = 0.44

/** For less it stays as it is: what one fact changes shall not change the class. */
const worthChanging = 0.02

/** A comment, or another for the same facts that is less like a classmate's. */
function lessAlike(before: Composed, phrasebook: Phrasebook, classmates: Classmates): Composed {
  const share = classmates.texts?.mostAlikeBesides(phrasesIn(before.chosen)) ?? 0
  // What stands is not changed for what is said of others.
  if (share < lookedAtAgain || before.asked.standing.size > 0) return before
  classmates.takeBack(before.chosen)
  const other = composeAgain(before, phrasebook, classmates)
  const taken = likeness(other, classmates) < share - worthChanging ? other : before
  classmates.add(taken.chosen)
  return taken
}

/** How like the most alike text of a classmate a comment is, from 0 to 1. */
function likeness({ chosen }: Composed, classmates: Classmates): number {
  return classmates.texts?.mostAlike(phrasesIn(chosen)) ?? 0
}
