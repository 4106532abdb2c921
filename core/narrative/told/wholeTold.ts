import { flatMap } from '../../flatMap'
import { capitalised } from '../capitals'
import type { Because, NarrativeFacts, SkillsInAll } from '../because'
import { listOf } from '../listOf'
import { atFront, numberWord, type ToldWording } from './toldWording'

/** Something to say with every wording that is true of it, and what it rests on. */
export interface ToldFact {
  readonly wordings: readonly ToldWording[]
  readonly because: readonly Because[]
  /** What single wordings rest on besides, by their ids. */
  readonly becauseOf?: ReadonlyMap<string, readonly Because[]>
}

/** The subjects in which the child did best; null where none stands out. */
export function bestSubjectsTold({ whole }: NarrativeFacts): ToldFact | null {
  const best = whole?.best ?? []
  if (best.length === 0) return null
  const subjects = listOf(best.map(({ text }) => text))
  const [which, were] = best.length === 1 ? ['subject', 'was'] : ['subjects', 'were']
  const [those, stand] = best.length === 1 ? ['the one', 'stands'] : ['those', 'stand']
  const marks = best.length === 1 ? 'mark is' : 'marks are'
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
      { id: 'told best subjects highest', text: `{Their} highest ${marks} in ${subjects}` },
      { id: 'told best subjects among marks', text: `Among {their} marks, ${those} in ${subjects} ${stand} out` },
      { id: 'told best subjects strongest in', text: `This term {they} {was} strongest in ${subjects}` },
    ],
  }
}

/** Of fewer skills nothing adds up. */
const fewest = 4

/**
 * What the skills of all subjects add up to, told in one way or the other: how many have come on since the term before,
 * how many are secure, or how many are strengths; null where there is nothing good to say of them. Children of whom the
 * same is known are so told different things.
 */
export function skillsInAllTold({ whole }: NarrativeFacts, termBefore: string | null): ToldFact | null {
  const skills = whole?.skills
  if (!skills || skills.of < fewest) return null
  const moves = termBefore === null || skills.up === 0 ? [] : movesTold(skills, termBefore)
  // Where much has moved, that is what there is to tell.
  const hasMoved = moves.length > 0 && skills.up * 3 >= skills.of
  const { becauseOfSecure, becauseOfStrong } = skills
  const told: readonly (readonly [readonly ToldWording[], readonly Because[]])[] = [
    [moves, [skills.because]],
    ...(hasMoved
      ? []
      : ([
          [bothTold(skills), [becauseOfSecure, becauseOfStrong]],
          [secureTold(skills), [becauseOfSecure]],
          [strengthsTold(skills), [becauseOfStrong]],
        ] as const)),
  ]
  const wordings = flatMap(told, ([each]) => each)
  if (wordings.length === 0) return null
  const becauseOf = new Map(flatMap(told, ([each, reasons]) => each.map(({ id }) => [id, reasons] as const)))
  return { because: [], becauseOf, wordings }
}

/** How many are secure and how many of them strengths, where both are worth telling and differ. */
function bothTold({ secure, strong, of }: SkillsInAll): ToldWording[] {
  if (secure * 2 < of || strong === 0 || strong >= secure) return []
  const [count, all] = [numberWord(strong), numberWord(of)]
  const [are, strengths] = strong === 1 ? ['is', 'a strength'] : ['are', 'strengths']
  const [some, which] =
    secure === of ? ['all', `all ${all} skills`] : [numberWord(secure), `${numberWord(secure)} of the ${all} skills`]
  const them = `${count} of them ${are} ${strengths}`
  return [
    { id: 'told secure and strengths', text: `{They} {is} secure in ${which}, and ${them}` },
    { id: 'told secure with strengths', text: `${atFront(which)} are secure, ${count} of them ${strengths}` },
    {
      id: 'told secure, strengths of all',
      text: `Of ${all} skills, ${some} are secure and ${count} ${are} ${strengths}`,
    },
    { id: 'told secure and strengths together', text: `All subjects taken together, ${which} are secure, and ${them}` },
    { id: 'told secure and strengths looked', text: `We looked at ${all} skills: ${some} are secure, and ${them}` },
    { id: 'told strengths and secure', text: `{They} {has} ${strengths} in ${count}, and {is} secure in ${which}` },
    { id: 'told secure and strengths found', text: `We find ${which} secure, and ${count} of them ${strengths}` },
  ]
}

/** How far the skills have come since the term before. */
function movesTold({ up, down, of }: SkillsInAll, termBefore: string): ToldWording[] {
  const have = up === 1 ? 'has' : 'have'
  const all = numberWord(of)
  const skillsOf = `${numberWord(up)} of the ${all} skills`
  const fallen = down === 0 ? '' : `, and down in ${numberWord(down)}`
  const haveFallen = down === 0 ? '' : ` and ${numberWord(down)} ${down === 1 ? 'has' : 'have'} gone down`
  const stand = up === 1 ? 'stands' : 'stand'
  const andLower = down === 0 ? '' : `, and ${numberWord(down)} lower`
  const further = down === 0 ? '' : `, and further back in ${numberWord(down)}`
  return [
    { id: 'told moves', text: `Since ${termBefore}, {they} {has} gone up in ${skillsOf} we looked at${fallen}` },
    {
      id: 'told moves of all',
      text: `Of the ${all} skills in all subjects, ${numberWord(up)} ${have} gone up since ${termBefore}${haveFallen}`,
    },
    {
      id: 'told moves counted',
      text: `${atFront(numberWord(up))} of {their} ${all} skills ${have} gone up since ${termBefore}${haveFallen}`,
    },
    {
      id: 'told moves over all',
      text: `In all subjects together, {they} {has} gone up in ${skillsOf} since ${termBefore}${fallen}`,
    },
    { id: 'told moves compared', text: `Compared with ${termBefore}, ${skillsOf} ${have} gone up${haveFallen}` },
    { id: 'told moves higher', text: `${atFront(skillsOf)} ${stand} higher than in ${termBefore}${andLower}` },
    { id: 'told moves is up', text: `{They} {is} further on in ${skillsOf} than in ${termBefore}${further}` },
  ]
}

/** How many are secure, where that is half of them or more. */
function secureTold({ secure, of }: SkillsInAll): ToldWording[] {
  const all = numberWord(of)
  const some = numberWord(secure)
  if (secure === of)
    return [
      { id: 'told secure all', text: `All ${all} skills that we looked at are secure` },
      { id: 'told secure in all', text: `{They} {is} secure in all ${all} skills that we looked at` },
      { id: 'told secure each', text: `Each of {their} ${all} skills is secure` },
      { id: 'told secure looked', text: `We looked at ${all} skills, and all of them are secure` },
      { id: 'told secure every subject', text: `In every subject that we looked at, {their} skills are secure` },
      { id: 'told secure throughout', text: `Looking at all skills with a level, {they} {is} secure throughout` },
      { id: 'told secure level', text: `{They} {stands} at a secure level in each of the ${all} skills` },
      { id: 'told secure whole', text: `All subjects taken together, {their} ${all} skills are secure` },
      { id: 'told secure reached', text: `A secure level was reached in each of the ${all} skills` },
      { id: 'told secure none below', text: `None of {their} ${all} skills is below a secure level` },
    ]
  if (secure * 2 < of) return []
  const rest = `${numberWord(of - secure)} ${of - secure === 1 ? 'is' : 'are'} not yet`
  return [
    { id: 'told secure in', text: `{They} {is} secure in ${some} of the ${all} skills that we looked at` },
    { id: 'told secure of all', text: `Of ${all} skills in all, ${some} are secure` },
    { id: 'told secure and not', text: `${atFront(some)} of {their} ${all} skills are secure; ${rest}` },
    ...(secure * 3 >= of * 2
      ? [{ id: 'told secure mostly', text: `{Their} skills are mostly secure: ${some} of ${all}` }]
      : []),
    { id: 'told secure some looked', text: `We looked at ${all} skills; ${some} of them are secure` },
    { id: 'told secure together', text: `All subjects taken together, ${some} of ${all} skills are secure` },
    { id: 'told secure some reached', text: `A secure level was reached in ${some} of the ${all} skills` },
    { id: 'told secure some stand', text: `{They} {stands} at a secure level in ${some} of ${all} skills` },
  ]
}

/** How many are strengths, where there are some, and others. */
function strengthsTold({ strong, of }: SkillsInAll): ToldWording[] {
  if (strong === 0 || strong === of) return []
  const [some, all] = [numberWord(strong), numberWord(of)]
  const [are, were, strengths] = strong === 1 ? ['is', 'was', 'a strength'] : ['are', 'were', 'strengths']
  return [
    { id: 'told strengths', text: `${atFront(some)} of the ${all} skills ${are} ${strengths} of {theirs}` },
    { id: 'told strengths among', text: `Among the ${all} skills that we looked at, ${some} ${are} ${strengths}` },
    { id: 'told strengths has', text: `{They} {has} ${strengths} in ${some} of ${all} skills` },
    { id: 'told strengths looked', text: `We looked at ${all} skills; ${some} of them ${are} ${strengths}` },
    { id: 'told strengths counted', text: `We count ${some} of {their} ${all} skills as ${strengths}` },
    { id: 'told strengths found', text: `${capitalised(strengths)} ${were} found in ${some} of the ${all} skills` },
    { id: 'told strengths strong', text: `{They} {is} strong in ${some} of ${all} skills` },
    { id: 'told strengths called', text: `${atFront(some)} of ${all} skills can be called ${strengths}` },
  ]
}
