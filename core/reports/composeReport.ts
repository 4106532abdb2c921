import { markLevel } from '../marks/settledMark'
import { percentText } from '../marks/rounding'
import { displayName } from '../people/names'
import { teacherOf, type Skill, type Student, type Subject } from '../record/classRecord'
import type { RecordIndex } from '../record/recordIndex'
import { strokesOf, type Scale } from '../scales/scale'
import { keptSymbol, readSymbol } from '../scales/symbol'
import type { Block, Cell, ReportDocument } from './document'
import type { ReportPart } from './layout'

/**
 * Composes one student's report from the class's record and layout. Teacher-only facts (proposals, differences,
 * teacher-only skills, comparisons) are not looked at here, so they cannot reach a family.
 * @param madeOn ISO date that stands on the report
 */
export function composeReport(index: RecordIndex, student: Student, madeOn: string): ReportDocument {
  const { record } = index
  const { layout, school, term, classRoom } = record
  const name = displayName({ given: student.usedName, family: student.family })
  const blocks: Block[] = [
    { kind: 'paragraph', text: `${school.name} · ${layout.title}`, voice: 'small' },
    { kind: 'heading', level: 1, text: name },
    {
      kind: 'facts',
      items: [
        { label: 'Class', value: classRoom.name },
        { label: 'Class teacher', value: classRoom.teacher },
        { label: 'Term', value: `${term.name} ${term.year}` },
      ],
    },
    ...layout.parts.flatMap((part) => composePart(part, index, student)),
  ]
  return {
    title: `${layout.title}: ${name}, ${term.name} ${term.year}`,
    language: 'en-GB',
    paper: layout.paper,
    studentId: student.id,
    studentName: name,
    foot: `${school.name} · ${layout.title} · ${name} · made ${longDate(madeOn)}`,
    blocks,
  }
}

/** "14 December 2026". */
export function longDate(iso: string): string {
  return new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeZone: 'UTC' }).format(
    new Date(`${iso.slice(0, 10)}T00:00:00Z`),
  )
}

function composePart(part: ReportPart, index: RecordIndex, student: Student): Block[] {
  switch (part) {
    case 'general comment':
      return generalComment(index, student)
    case 'subjects':
      return index.record.subjects.flatMap((subject) => composeSubject(index, student, subject))
    case 'habits':
      return composeHabits(index, student)
    case 'attendance':
      return composeAttendance(index, student)
    case 'scale':
      return composeScales(index)
    case 'reflection':
      return [
        { kind: 'heading', level: 2, text: 'My own words' },
        { kind: 'lines', label: `Written by ${student.usedName}`, count: 3 },
      ]
    case 'signatures':
      return [
        { kind: 'heading', level: 2, text: 'Signed' },
        { kind: 'signatures', labels: [index.record.classRoom.teacher, 'Family'] },
      ]
  }
}

function generalComment(index: RecordIndex, student: Student): Block[] {
  const texts = index.record.boxes
    .filter((box) => box.subject === null)
    .flatMap((box) => index.commentOf(student.id, box.key)?.text || [])
  if (texts.length === 0) return []
  return [{ kind: 'heading', level: 2, text: `About ${student.usedName}’s term` }, ...texts.map(commentBlock)]
}

function composeSubject(index: RecordIndex, student: Student, subject: Subject): Block[] {
  const mark = markText(index, student, subject)
  const skills = index.record.skills.filter((skill) => skill.subject === subject.key && !skill.teacherOnly)
  const rows = skillRows(index, student, subject, skills)
  const comments = index.record.boxes
    .filter((box) => box.subject === subject.key)
    .flatMap((box) => index.commentOf(student.id, box.key)?.text || [])
  if (mark === null && rows.length === 0 && comments.length === 0) return []
  return [
    { kind: 'heading', level: 2, text: subject.name },
    {
      kind: 'facts',
      items: [
        ...(mark === null ? [] : [{ label: 'Mark', value: mark }]),
        { label: 'Teacher', value: teacherOf(index.record, subject.key) },
      ],
    },
    ...(rows.length === 0
      ? []
      : [
          {
            kind: 'table' as const,
            caption: `Skills in ${subject.name}`,
            columns: [
              { title: 'What was learned', share: 0.78 },
              { title: 'Level', share: 0.22 },
            ],
            rows,
          },
        ]),
    ...comments.map(commentBlock),
  ]
}

function markText(index: RecordIndex, student: Student, subject: Subject): string | null {
  const { layout, school } = index.record
  const settled = index.markOf(student.id, subject.key)
  if (layout.marks === 'none' || !settled) return null
  if (settled.special !== null) return settled.special
  if (settled.percent === null) return null
  const scale = index.scale(subject.markScale)
  const level = scale ? markLevel(settled.percent, scale, school.markRules) : undefined
  const name = level ? `${level.symbol} (${level.name.toLocaleLowerCase('en')})` : ''
  if (layout.marks === 'level' && level) return name
  return [name, percentText(settled.percent, school.markRules.decimals)].filter(Boolean).join(', ')
}

function skillRows(index: RecordIndex, student: Student, subject: Subject, skills: readonly Skill[]): Cell[][] {
  return skills.flatMap((skill) => {
    const cell = levelCell(index.scale(subject.skillScale), index.levelOf(student.id, 'skill', skill.id))
    return cell ? [[{ text: skill.familyWords }, cell]] : []
  })
}

function composeHabits(index: RecordIndex, student: Student): Block[] {
  const rows = index.record.habits.flatMap((habit) => {
    const cell = levelCell(index.scale(habit.scale), index.levelOf(student.id, 'habit', habit.key))
    return cell ? [[{ text: `${habit.name}: ${habit.familyWords}` }, cell]] : []
  })
  if (rows.length === 0) return []
  return [
    { kind: 'heading', level: 2, text: 'Habits for learning' },
    {
      kind: 'table',
      caption: 'Habits for learning',
      columns: [
        { title: 'Habit', share: 0.78 },
        { title: 'Score', share: 0.22 },
      ],
      rows,
    },
  ]
}

function levelCell(scale: Scale | undefined, symbol: string | undefined): Cell | null {
  if (symbol === undefined) return null
  const meaning = readSymbol(scale, symbol)
  if (!scale || !meaning) return { text: symbol }
  return meaning.kind === 'special'
    ? { text: `${keptSymbol(meaning)} (${meaning.special})` }
    : { text: `${meaning.level.symbol} ${meaning.level.name}`, strokes: strokesOf(scale, meaning.level.symbol) }
}

function composeAttendance(index: RecordIndex, student: Student): Block[] {
  const days = index.attendanceOf(student.id)
  if (!days) return []
  return [
    { kind: 'heading', level: 2, text: 'Attendance' },
    {
      kind: 'facts',
      items: [
        { label: 'Days the school was open', value: String(days.daysOpen) },
        { label: 'Days absent', value: String(days.absences) },
        { label: 'Times late', value: String(days.lates) },
      ],
    },
  ]
}

/** What the levels mean, for those scales whose levels stand on the report. */
function composeScales(index: RecordIndex): Block[] {
  const { record } = index
  const used = new Set([
    ...record.subjects.map((subject) => subject.skillScale),
    ...record.habits.map((habit) => habit.scale),
    ...(record.layout.marks === 'none' ? [] : record.subjects.map((subject) => subject.markScale)),
  ])
  const tables = record.scales
    .filter((scale) => used.has(scale.key))
    .map((scale): Block => ({
      kind: 'table',
      caption: scale.name,
      columns: [
        { title: scale.name, share: 0.3 },
        { title: 'What it means', share: 0.7 },
      ],
      rows: scale.levels.map((level) => [
        {
          text: `${level.symbol} ${level.name}`,
          ...(scale.kind === 'mark' ? {} : { strokes: strokesOf(scale, level.symbol) }),
        },
        { text: level.familySentence },
      ]),
    }))
  return tables.length === 0 ? [] : [{ kind: 'heading', level: 2, text: 'How to read the levels' }, ...tables]
}

function commentBlock(text: string): Block {
  return { kind: 'paragraph', text, voice: 'comment' }
}
