import type { LevelKind } from '../../record/termRecord'
import type { ClassRecord } from '../../record/classRecord'
import { weekOf } from '../../record/practice'
import { daysByHeading, type DaysColumn } from './attendanceWords'
import { roleByHeading } from '../gradebook/gradebookWords'
import { headingKey } from '../files/readRecords'
import { readDate } from '../files/readDate'
import type { Table, TableRow } from '../files/readTable'

/** Who a row is about, as far as a column says. */
export type WhoColumn = 'number' | 'name' | 'given name' | 'family name'
export type PracticeColumn =
  'program' | 'week' | 'minutes' | 'beside' | 'goal' | 'reached' | 'measure' | 'before' | 'after'
/** What a column of a list of a class holds; null for what nobody knows. */
export type ClassColumn =
  | { what: 'who'; part: WhoColumn }
  | { what: 'level'; kind: LevelKind; about: string }
  | { what: 'mark'; subject: string }
  | { what: 'days'; part: DaysColumn }
  | { what: 'on day'; day: string }
  | { what: 'practised'; part: PracticeColumn }
  | { what: 'minutes of'; week: string }
  | { what: 'day' | 'status' | 'about' | 'value' | 'text' | 'told' }
  | null

const practiceWords: readonly [PracticeColumn, RegExp][] = [
  ['program', /^(program|programme|app|software|platform|programm)$/],
  ['week', /^(week|weekof|weekbeginning|weekstarting|woche|semaine|semana|settimana)$/],
  ['minutes', /^(minutes?|mins?|minutes?(a|per)week|minutespracti[cs]ed|minuten|minutos|minuti)$/],
  ['beside', /^(of|outof|total|target|asked|askedfor|von|sur)$/],
  ['goal', /^(goals?|objectives?|ziele?|objectifs?|objetivos?)$/],
  ['reached', /^(reached|done|completed?|progress|sofar|erreicht|atteint)$/],
  ['measure', /^(measure|test|assessment)$/],
  ['before', /^(before|pre|pretest|scorebefore|vorher|avant|antes)$/],
  ['after', /^(after|post|posttest|scoreafter|nachher|apres|despues)$/],
]
const otherWords: readonly ['day' | 'status' | 'about' | 'value' | 'text' | 'told', RegExp][] = [
  ['day', /^(date|day|datum|fecha|data|dato|jour)$/],
  ['status', /^(status|state|attendance|presence|code|anwesenheit)$/],
  ['about', /^(about|skill|standard|outcome|habit|subject|kompetenz|competence|vaardigheid)s?$/],
  ['text', /^(notes?|observations?|text|seen|remarks?|comments?|bemerkung|beobachtung|notiz)(en)?$/],
  ['told', /^(maybetold|told|share|forfamily|maytell)$/],
  ['value', /^(value|level|rating|score|symbol|mark|grade|percent|%|stufe|niveau|note)s?$/],
]

/**
 * What a heading says of its column in a list of this class: the class's own words first (a skill's, a habit's, a
 * subject's), then those that schools use.
 * @example classColumns(record)('Times late') // { what: 'days', part: 'lates' }
 */
export function classColumns(record: ClassRecord): (heading: string) => ClassColumn {
  const own = ownNames(record)
  return (heading) => {
    const key = headingKey(heading)
    const named = own.get(key)
    if (named) return named
    const day = readDate(heading)
    if (day !== undefined) return { what: 'on day', day }
    const week = readDate(/^(?:minutes?|mins?)\W+(?:week of\W+)?(.+)$/i.exec(heading)?.[1] ?? '')
    if (week !== undefined) return { what: 'minutes of', week: weekOf(week) }
    const days = daysByHeading(heading)
    if (days) return { what: 'days', part: days }
    const practised = practiceWords.find(([, pattern]) => pattern.test(key))
    if (practised) return { what: 'practised', part: practised[0] }
    const other = otherWords.find(([, pattern]) => pattern.test(key))
    if (other) return { what: other[0] }
    const role = roleByHeading(heading)
    return role === 'number' || role === 'name' || role === 'given name' || role === 'family name'
      ? { what: 'who', part: role }
      : null
  }
}

type NamedColumn = Extract<ClassColumn, { what: 'level' | 'mark' }>

/** What a class calls its own, by heading keys; where two are called alike, the skill before the habit. */
export function ownNames({ skills, habits, subjects }: ClassRecord): Map<string, NamedColumn> {
  const named = (words: readonly string[], column: NamedColumn): [string, NamedColumn][] =>
    words.map(headingKey).flatMap((key) => (key === '' ? [] : [[key, column]]))
  return new Map([
    ...subjects.flatMap(({ key, name }) => named([key, name], { what: 'mark', subject: key })),
    ...habits.flatMap(({ key, name, familyWords }) =>
      named([key, name, familyWords], { what: 'level', kind: 'habit', about: key }),
    ),
    ...skills.flatMap(({ id, statement, familyWords }) =>
      named([id, familyWords, statement], { what: 'level', kind: 'skill', about: id }),
    ),
  ])
}

/** What changing a column's matter takes ("general", "notes", "subject sums"); null where it takes nothing. */
export function needOf(column: ClassColumn, { skills }: Pick<ClassRecord, 'skills'>): string | null {
  if (column?.what === 'mark') return `subject ${column.subject}`
  if (column?.what === 'level' && column.kind === 'skill')
    return `subject ${skills.find(({ id }) => id === column.about)?.subject}`
  if (column?.what === 'text') return 'notes'
  return column !== null && ['level', 'days', 'on day', 'status', 'practised', 'minutes of'].includes(column.what)
    ? 'general'
    : null
}

/** The first row that says who its rows are about, and what: what stands above it is a title. */
export function headingRow(
  { rows }: Pick<Table, 'rows'>,
  columnOf: (heading: string) => ClassColumn,
): TableRow | undefined {
  const who = rows.slice(0, 12).filter(({ cells }) => cells.some((cell) => columnOf(cell)?.what === 'who'))
  return who.find(({ cells }) => cells.some((cell) => !['who', undefined].includes(columnOf(cell)?.what))) ?? who[0]
}
