import { addDays } from '../addDays'

export const practiceKinds = ['minutes', 'goal', 'score'] as const
export type PracticeKind = (typeof practiceKinds)[number]

/** What a child did in a program of its own, as that program reports it. */
export interface Practice {
  readonly studentId: string
  /** What the program is called here. */
  readonly program: string
  readonly kind: PracticeKind
  /** The first day of the week (ISO), the goal, or what the score is of. */
  readonly name: string
  /** Minutes of the week; how far the goal is reached; the score after, which may still be to come (null). */
  readonly amount: number | null
  /** Minutes that were asked for; how far the goal goes; the score before. Null where nobody says. */
  readonly beside: number | null
}

/** Why something practised cannot be kept, in words; null where it can. */
export function practiceProblem({
  kind,
  name,
  amount,
  beside,
}: Omit<Practice, 'studentId' | 'program'>): string | null {
  if (kind === 'minutes' && !/^\d{4}-\d\d-\d\d$/.test(name)) return `“${name}” is no day on which a week begins.`
  if (amount === null) return kind === 'score' && beside !== null ? null : 'Nothing is said of how much it was.'
  if (kind === 'minutes' && amount > minutesOfWeek) return `A week has no more than ${minutesOfWeek} minutes.`
  if (amount < 0 || (beside ?? 0) < 0) return 'What was practised is never below 0.'
  return kind === 'goal' && beside === null ? `How far does “${name}” go? Say what it is out of.` : null
}

const minutesOfWeek = 7 * 24 * 60

/** The Monday of the week that a day is in (ISO 8601), as an ISO date. @example weekOf('2026-11-26') // '2026-11-23' */
export function weekOf(day: string): string {
  return addDays(day, -((new Date(day).getUTCDay() + 6) % 7))
}

/** A child's practice in one program, each kind in order. */
export interface ProgramPractice {
  readonly program: string
  /** By week, oldest first; weeks of which nothing is said between others have 0 minutes. */
  readonly weeks: readonly { readonly week: string; readonly minutes: number; readonly asked: number | null }[]
  readonly goals: readonly Practice[]
  readonly scores: readonly Practice[]
}

/** One child's practice by program, in the order of their names. */
export function practiceByProgram(practice: readonly Practice[]): ProgramPractice[] {
  const programs = [...new Set(practice.map(({ program }) => program))].sort((a, b) => a.localeCompare(b, 'en'))
  return programs.map((program) => {
    const here = practice.filter((each) => each.program === program)
    const of = (kind: PracticeKind): Practice[] =>
      here.filter((each) => each.kind === kind).sort((a, b) => a.name.localeCompare(b.name, 'en'))
    return { program, weeks: everyWeek(of('minutes')), goals: of('goal'), scores: of('score') }
  })
}

function everyWeek(minutes: readonly Practice[]): ProgramPractice['weeks'] {
  const byWeek = new Map(minutes.map((each) => [each.name, each]))
  const [first, last] = [minutes[0]?.name, minutes.at(-1)?.name]
  if (first === undefined || last === undefined) return []
  const weeks: string[] = []
  for (let week = first; week <= last && weeks.length < 60; week = addDays(week, 7)) weeks.push(week)
  return [...new Set([...weeks, ...byWeek.keys()])].sort().map((week) => ({
    week,
    minutes: byWeek.get(week)?.amount ?? 0,
    asked: byWeek.get(week)?.beside ?? null,
  }))
}
