import { capitalised } from '../capitals'
import type { Because, NarrativeFacts } from '../because'
import { listOf } from '../listOf'
import { numberWord, type ToldWording } from './toldWording'

/** Something to say with every wording that is true of it, and what it rests on. */
export interface ToldFact {
  readonly wordings: readonly ToldWording[]
  readonly because: readonly Because[]
}

/** The subjects in which the child did best; null where none stands out. */
export function bestSubjectsTold({ whole }: NarrativeFacts): ToldFact | null {
  const best = whole?.best ?? []
  if (best.length === 0) return null
  const subjects = listOf(best.map(({ text }) => text))
  const [which, were] = best.length === 1 ? ['subject', 'was'] : ['subjects', 'were']
  const strongest = best.length === 1 ? 'strongest subject' : 'strongest subjects'
  return {
    because: best.flatMap(({ because }) => because ?? []),
    wordings: [
      { id: 'told best subjects', text: `${capitalised(subjects)} ${were} {their} ${strongest} this term` },
      { id: 'told best subjects after', text: `{Their} ${strongest} this term ${were} ${subjects}` },
      { id: 'told best subjects did', text: `{They} did best in ${subjects} this term` },
      { id: 'told best subjects this term', text: `This term {they} did best in ${subjects}` },
      { id: 'told best subjects marks', text: `{Their} best marks this term were in ${subjects}` },
      { id: 'told best subjects of all', text: `Of all subjects, {they} did best in ${subjects}` },
      {
        id: 'told best subjects went',
        text: `The ${which} that went best for {them} this term ${were} ${subjects}`,
      },
      { id: 'told best subjects strongest in', text: `This term {they} {was} strongest in ${subjects}` },
    ],
  }
}

/** How far the skills of all subjects have come since the term before; null where nothing is known of it. */
export function movesTold({ whole }: NarrativeFacts, termBefore: string | null): ToldFact | null {
  const skills = whole?.skills
  if (!skills || termBefore === null || skills.up === 0) return null
  const { up, down, of } = skills
  const count = capitalised(numberWord(up))
  const have = up === 1 ? 'has' : 'have'
  const all = numberWord(of)
  const risen = `${numberWord(up)} ${have}`
  const skillsOf = `${numberWord(up)} of the ${all} skills`
  const fallen = down === 0 ? '' : `, and down in ${numberWord(down)}`
  const haveFallen = down === 0 ? '' : ` and ${numberWord(down)} ${down === 1 ? 'has' : 'have'} gone down`
  return {
    because: [skills.because],
    wordings: [
      { id: 'told moves', text: `Since ${termBefore}, {they} {has} gone up in ${skillsOf} we looked at${fallen}` },
      {
        id: 'told moves of all',
        text: `Of the ${all} skills in all subjects, ${risen} gone up since ${termBefore}${haveFallen}`,
      },
      {
        id: 'told moves counted',
        text: `${count} of {their} ${all} skills ${have} gone up since ${termBefore}${haveFallen}`,
      },
      {
        id: 'told moves over all',
        text: `In all subjects together, {they} {has} gone up in ${skillsOf} since ${termBefore}${fallen}`,
      },
      {
        id: 'told moves compared',
        text: `Compared with ${termBefore}, ${numberWord(up)} of the ${all} skills ${have} gone up${haveFallen}`,
      },
      {
        id: 'told moves is up',
        text: `{They} {is} further on in ${skillsOf} than in ${termBefore}${
          down === 0 ? '' : `, and further back in ${numberWord(down)}`
        }`,
      },
    ],
  }
}
