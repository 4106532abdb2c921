import { readPlan } from '../narrative/plan'
import { skillWords } from '../narrative/skillWords'
import { scaleProblems, type Scale, type ScaleKind } from '../scales/scale'
import type { Habit, Skill, Subject } from '../school/schoolSetup'
import { strandsAlike } from '../school/strand'
import { strandsOf } from './narrativeFacts'
import { planProblems } from './planProblems'

interface Retirable {
  readonly retired: boolean
}

/** A year's set-up with what is retired; plans as they are written. */
export interface SetupRows {
  readonly subjects: readonly (Subject & Retirable)[]
  readonly skills: readonly (Skill & Retirable)[]
  readonly habits: readonly (Habit & Retirable)[]
  readonly boxes: readonly ({ name: string; subject: string | null; plan: string } & Retirable)[]
  readonly scales: readonly Scale[]
}

/**
 * What does not fit together in a set-up, in sentences; empty when it holds.
 * @example setupProblems({ ...rows, habits: [{ ...habit, name: 'Effort', scale: 'marks' }] }) // ['Effort needs a scale
 * for habits.']
 */
export function setupProblems({ subjects, skills, habits, boxes, scales }: SetupRows): string[] {
  const areOfKind = (keys: readonly string[], kind: ScaleKind): boolean =>
    keys.every((wanted) => scales.find(({ key }) => key === wanted)?.kind === kind)
  const inUse = subjects.filter((subject) => !subject.retired)
  const live = { skills: skills.filter((skill) => !skill.retired), habits: habits.filter((habit) => !habit.retired) }
  return [
    ...scales.flatMap((scale) => scaleProblems(scale)),
    ...subjects.flatMap(({ name, ...on }) => [
      ...(areOfKind([on.markScale, ...(on.markScaleByGrade ?? []).map(({ is }) => is)], 'mark')
        ? []
        : [`${name} needs a scale for marks.`]),
      ...(areOfKind([on.skillScale, ...(on.skillScaleByGrade ?? []).map(({ is }) => is)], 'skill')
        ? []
        : [`${name} needs a scale for skills.`]),
    ]),
    ...twice(inUse.map(({ name }) => name)).map((name) => `There are two subjects called ${name}.`),
    ...subjects.flatMap((subject) =>
      strandsAlike(
        subject,
        strandsOf(skills, subject.key).map(([strand]) => strand),
      ).map((name) => `${subject.name} has two strands called ${name}.`),
    ),
    ...skills
      .filter((skill) => !subjects.some((subject) => subject.key === skill.subject))
      .map((skill) => `“${skill.statement}” belongs to a subject that is not there.`),
    ...skills
      .filter(({ does }) => does !== '' && skillWords(does) === null)
      .map(({ does }) => `“${does}” cannot be read: a verb stands in { and }.`),
    ...habits
      .filter(({ scale }) => !areOfKind([scale], 'habit'))
      .map(({ name }) => `${name} needs a scale for habits.`),
    ...boxes.flatMap((box) => (box.retired ? [] : boxProblems(box, inUse, live))),
  ]
}

function boxProblems(
  box: SetupRows['boxes'][number],
  subjects: SetupRows['subjects'],
  { skills, habits }: Pick<SetupRows, 'skills' | 'habits'>,
): string[] {
  if (box.subject !== null && !subjects.some((subject) => subject.key === box.subject)) return []
  try {
    const plan = readPlan(box.plan)
    return planProblems({ subject: box.subject, plan }, skills, habits).map((problem) => `In ${box.name}: ${problem}`)
  } catch (error) {
    return [`In ${box.name}: ${error instanceof Error ? error.message : String(error)}`]
  }
}

function twice(names: readonly string[]): string[] {
  const keys = names.map((name) => name.toLowerCase())
  return names.filter((name, at) => keys.indexOf(name.toLowerCase()) !== at)
}
