import { nameKey } from '../../people/names'
import { lowerFirst } from '../../narrative/capitals'
import { readPlan, type CommentBox } from '../../narrative/plan'
import { keyFor } from '../../school/keyFor'
import type { Habit, Subject } from '../../school/schoolSetup'
import type { Scale } from '../../scales/scale'
import type { BoxColumn, HabitColumn, SubjectColumn } from './listColumns'
import { NotTaken, planRows, type RowPlan } from './planRows'
import type { ListRow, ReadList } from './readList'

/** Something of the set-up with its place in its list. */
type Placed<T> = T & { readonly position: number; readonly retired: boolean }
export type ListedSubject = Placed<Subject>
export type ListedHabit = Placed<Habit>
/** A box with its plan as it is written. */
export type ListedBox = Placed<Omit<CommentBox, 'plan'>> & { readonly plan: string }

/**
 * What a list of subjects would add and change. A subject is known by its name; scales are named as they are called.
 * @example planSubjectList(readList('Drama\nArt', subjectColumns), { subjects, scales }).added // Drama alone
 */
export function planSubjectList(
  list: ReadList<SubjectColumn>,
  { subjects, scales }: { subjects: readonly ListedSubject[]; scales: readonly Scale[] },
): RowPlan<ListedSubject> {
  const scaleOf = (row: ListRow<SubjectColumn>, column: 'markScale' | 'skillScale', was: string): string =>
    scaleCalled(scales, column === 'markScale' ? 'mark' : 'skill', row.cell(column)) ?? was
  const like = subjects[0]
  return planRows(list, {
    ...byName(subjects, 'name', 'a subject'),
    fresh: (row, added) => ({
      ...placed(row.cell('name'), [...subjects, ...added]),
      inSentence: lowerFirst(row.cell('name')),
      markScale: like?.markScale ?? scales.find(({ kind }) => kind === 'mark')?.key ?? '',
      skillScale: like?.skillScale ?? scales.find(({ kind }) => kind === 'skill')?.key ?? '',
      markScaleByGrade: like?.markScaleByGrade ?? [],
      skillScaleByGrade: like?.skillScaleByGrade ?? [],
      strandNames: {},
      takenBy: 'class',
    }),
    said: (row, was) => ({
      ...was,
      inSentence: row.cell('inSentence') || was.inSentence,
      markScale: scaleOf(row, 'markScale', was.markScale),
      skillScale: scaleOf(row, 'skillScale', was.skillScale),
    }),
  })
}

/**
 * What a list of habits would add and change. A habit is known by its name.
 * @example planHabitList(readList('Listens', habitColumns), { habits: [], scales }).added[0]?.familyWords // 'Listens'
 */
export function planHabitList(
  list: ReadList<HabitColumn>,
  { habits, scales }: { habits: readonly ListedHabit[]; scales: readonly Scale[] },
): RowPlan<ListedHabit> {
  return planRows(list, {
    ...byName(habits, 'name', 'a habit'),
    fresh: (row, added) => ({
      ...placed(row.cell('name'), [...habits, ...added]),
      familyWords: row.cell('name'),
      scale: habits[0]?.scale ?? scales.find(({ kind }) => kind === 'habit')?.key ?? '',
    }),
    said: (row, was) => ({
      ...was,
      familyWords: row.cell('familyWords') || was.familyWords,
      scale: scaleCalled(scales, 'habit', row.cell('scale')) ?? was.scale,
    }),
  })
}

/**
 * What a list of comment boxes would add and change. A box is known by its name and its subject.
 * @example planBoxList(readList('Comment box\tCharacters\nAt home\t250', boxColumns), …).added[0]?.limit // 250
 */
export function planBoxList(
  list: ReadList<BoxColumn>,
  { boxes, subjects }: { boxes: readonly ListedBox[]; subjects: readonly Pick<Subject, 'key' | 'name'>[] },
): RowPlan<ListedBox> {
  const subjectOf = (row: ListRow<BoxColumn>): string | null => {
    const named = row.cell('subject')
    if (named === '' || /^(general|general comment)$/i.test(named)) return null
    const found = subjects.find(({ name }) => nameKey(name) === nameKey(named))
    if (!found) throw new NotTaken(`This school has no subject “${named}”.`)
    return found.key
  }
  const boxKey = (subject: string | null, name: string): string => `${subject}\u0000${nameKey(name)}`
  const standing = new Map(boxes.map((box) => [boxKey(box.subject, box.name), box]))
  return planRows(list, {
    nameOf: (row) => {
      const name = needed(row.cell('name'), 'a comment box')
      return { name, place: boxKey(subjectOf(row), name) }
    },
    standing: (place) => standing.get(place),
    fresh: (row, added) => {
      const subject = subjectOf(row)
      const made = placed(row.cell('name'), [...boxes, ...added])
      return {
        ...made,
        subject,
        limit: 400,
        limitByGrade: [],
        tone: '',
        plan: subject === null ? 'habit each' : 'outcome each',
      }
    },
    said: (row, was) => ({ ...was, limit: limitOf(row) ?? was.limit, plan: planOf(row) ?? was.plan }),
  })
}

function limitOf(row: ListRow<BoxColumn>): number | null {
  const written = row.cell('limit')
  if (written === '') return null
  const limit = Number(written.replace(/[ ,.](?=\d{3}$)/, ''))
  if (Number.isInteger(limit) && limit >= 20) return limit
  throw new NotTaken(`“${written}” is no number of characters from 20 on.`)
}

function planOf(row: ListRow<BoxColumn>): string | null {
  const written = row.cell('plan')
  if (written === '') return null
  try {
    readPlan(written)
    return written
  } catch (error) {
    throw new NotTaken(error instanceof Error ? error.message : String(error))
  }
}

/** The key of the scale that is called so; null where nothing is said. @throws NotTaken */
function scaleCalled(scales: readonly Scale[], kind: Scale['kind'], name: string): string | null {
  if (name === '') return null
  const found = scales.find((scale) => scale.kind === kind && nameKey(scale.name) === nameKey(name))
  if (!found) throw new NotTaken(`There is no scale “${name}” for ${kind}s.`)
  return found.key
}

function byName<Key extends string, Row extends { readonly name: string }>(
  all: readonly Row[],
  column: Key,
  what: string,
) {
  const standing = new Map(all.map((row) => [nameKey(row.name), row]))
  return {
    nameOf: (row: ListRow<Key>) => {
      const name = needed(row.cell(column), what)
      return { name, place: nameKey(name) }
    },
    standing: (place: string): Row | undefined => standing.get(place),
  }
}

function needed(name: string, what: string): string {
  if (name === '') throw new NotTaken(`There is no name of ${what} in this row.`)
  return name
}

function placed(name: string, all: readonly { readonly key: string; readonly position: number }[]) {
  const key = keyFor(
    name,
    all.map((each) => each.key),
  )
  return { key, name, position: Math.max(-1, ...all.map(({ position }) => position)) + 1, retired: false }
}
