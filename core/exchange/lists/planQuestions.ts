import { studentMatcher, type RowIdentity } from '../../people/matchStudent'
import { answerProblem, mostQuestions, type Answer, type Question } from '../../record/questions'
import type { RecordIndex } from '../../record/recordIndex'
import type { SubjectWork } from '../../record/termRecord'
import type { Student } from '../../record/roster'
import { isSummary, roleByHeading } from '../gradebook/gradebookWords'
import { UnreadableFile } from '../files/problem'
import { headingKey } from '../files/readRecords'
import { readScore } from '../gradebook/readScore'
import { readTable, type TableRow } from '../files/readTable'
import { childFinder, nameOf } from './childFinder'
import { ownNames } from './classListColumns'
import { NotTaken } from './planRows'
import { longColumns, questionColumns, questionHeading, questionRow, type LongColumns } from './questionColumns'
import type { RefusedRow } from './readList'

/** What a paper's results, question by question, would bring. */
export interface QuestionPlan {
  /** All the questions of the work as they shall be. */
  readonly questions: readonly Question[]
  readonly answers: readonly Answer[]
  readonly added: number
  readonly changed: number
  readonly unchanged: number
  readonly refused: readonly RefusedRow[]
  readonly unknown: readonly string[]
  /** A line for each that is new or changed. */
  readonly lines: readonly string[]
}

/** A score of a child in a question, as it is written. */
interface Written {
  readonly row: number
  readonly student: Student
  readonly number: number
  readonly cell: string
}

/** What a table says of a question. */
interface SaidOfQuestion {
  words: string
  skill: string
  outOf: number | null
}

/**
 * Reads the results of one piece of work question by question: a row for each child with a column for each question
 * (and, in rows beside, what each is out of and which skill it shows), or a row for each answer. What the table does
 * not say of a question stays as it is.
 * @throws UnreadableFile when no row says whose it is, or nothing is a question
 */
export function planQuestions(text: string, index: RecordIndex, work: SubjectWork): QuestionPlan {
  if (text.trim() === '') throw new UnreadableFile('There is nothing here yet. Copy a list and paste it here.')
  const table = readTable(text)
  const heading = questionHeading(table)
  if (!heading) throw new UnreadableFile('No row of headings says whose the rows are. Put one first: Number or Name.')
  const reading = new PaperReading(index, work, heading)
  const long = longColumns(heading)
  const body = table.rows.filter(({ number }) => number !== heading.number)
  if (long)
    reading.readLong(
      body.filter(({ number }) => number > heading.number),
      long,
    )
  else reading.readWide(body)
  return reading.plan()
}

class PaperReading {
  private readonly refused: RefusedRow[] = []
  private readonly said = new Map<number, SaidOfQuestion>()
  private readonly written: Written[] = []
  private readonly whose: (row: RowIdentity) => Student
  private readonly match: ReturnType<typeof studentMatcher<Student>>

  constructor(
    private readonly index: RecordIndex,
    private readonly work: SubjectWork,
    private readonly heading: TableRow,
  ) {
    this.whose = childFinder(index.record.students, 'whose it is')
    this.match = studentMatcher(index.record.students)
  }

  readWide(rows: readonly TableRow[]): void {
    const columns = questionColumns(this.heading)
    const [first] = columns
    if (!first) throw new UnreadableFile('No column here is a question. Head the columns Q1, Q2, Q3.')
    for (const { number, words, outOf } of columns) this.said.set(number, { words, outOf, skill: '' })
    for (const row of rows) {
      const kind = questionRow(row, first.at)
      if (kind !== null) {
        for (const { at, number } of columns) this.describe(row, number, kind, row.cells[at] ?? '')
      } else if (row.number > this.heading.number) {
        this.ofChild(row, (student) => {
          for (const { at, number } of columns)
            this.written.push({ row: row.number, student, number, cell: row.cells[at] ?? '' })
        })
      }
    }
  }

  readLong(rows: readonly TableRow[], at: LongColumns): void {
    for (const row of rows) {
      const cell = (column: number): string => row.cells[column] ?? ''
      // A table of several papers holds rows of others.
      if (at.work >= 0 && headingKey(cell(at.work)) !== headingKey(this.work.title)) continue
      const number = Number(/\d+/.exec(cell(at.question))?.[0] ?? 0)
      const define = (): void => {
        if (number === 0) throw new NotTaken(`“${cell(at.question)}” is no number of a question.`)
        if (!this.said.has(number)) this.said.set(number, { words: '', outOf: null, skill: '' })
        this.describe(row, number, 'words', cell(at.words))
        this.describe(row, number, 'out of', cell(at.outOf))
        this.describe(row, number, 'skill', cell(at.skill))
      }
      // A question that nobody has answered yet stands in a row without a child.
      if (cell(at.score) === '' && this.isNobodys(row)) {
        this.trying(row.number, define)
        continue
      }
      this.ofChild(row, (student) => {
        define()
        this.written.push({ row: row.number, student, number, cell: cell(at.score) })
      })
    }
    if (this.said.size === 0) throw new UnreadableFile(`No row here is about “${this.work.title}”.`)
  }

  plan(): QuestionPlan {
    const standing = this.index.questionsOf(this.work.id)
    const questions = this.questionsAfter(standing)
    const plan = { answers: [] as Answer[], added: 0, changed: 0, unchanged: 0, lines: [] as string[] }
    const changedQuestions = questions.filter((each) => !standing.some((was) => sameQuestion(was, each)))
    const isThere = ({ number }: Question): boolean => standing.some((was) => was.number === number)
    plan.changed += changedQuestions.filter(isThere).length
    plan.added += changedQuestions.filter((each) => !isThere(each)).length
    plan.lines.push(...changedQuestions.map((each) => this.lineOf(each)))
    const seen = new Map<string, number>()
    for (const each of this.written) {
      this.trying(each.row, () => {
        const answer = this.answerOf(each, questions)
        if (answer === null) return
        const place = `${each.student.id} ${each.number}`
        const before = seen.get(place)
        if (before !== undefined) {
          throw new NotTaken(`Question ${each.number} of ${nameOf(each.student)} stands in row ${before} already.`)
        }
        seen.set(place, each.row)
        const was = this.index
          .answersOf(this.work.id, each.student.id)
          .find(({ number }) => number === each.number)?.score
        if (was === answer.score) plan.unchanged += 1
        else {
          plan.answers.push(answer)
          plan[was === undefined ? 'added' : 'changed'] += 1
          const from = was === undefined ? '' : `${was} → `
          plan.lines.push(`${nameOf(each.student)}, question ${each.number}: ${from}${answer.score}`)
        }
      })
    }
    return { ...plan, questions, refused: this.refused, unknown: [] }
  }

  /** @throws NotTaken */
  private answerOf({ student, number, cell }: Written, questions: readonly Question[]): Answer | null {
    const question = questions.find((each) => each.number === number)
    const score = question && scoreIn(cell, question)
    if (!question || score === null || score === undefined) return null
    const problem = answerProblem(score, question)
    if (problem !== null) throw new NotTaken(problem)
    return { workId: this.work.id, number, studentId: student.id, score }
  }

  private questionsAfter(standing: readonly Question[]): Question[] {
    const numbers = new Set([...standing.map(({ number }) => number), ...this.said.keys()])
    return [...numbers]
      .sort((a, b) => a - b)
      .map((number): Question => {
        const was = standing.find((each) => each.number === number)
        const said = this.said.get(number)
        return {
          workId: this.work.id,
          number,
          words: said?.words || (was?.words ?? ''),
          skill: said?.skill || (was?.skill ?? null),
          outOf: said?.outOf ?? was?.outOf ?? this.highest(number),
        }
      })
  }

  /** What nobody says is what somebody reached at the most, but a point at the least. */
  private highest(number: number): number {
    const scores = this.written.filter((each) => each.number === number).map(({ cell }) => pointsIn(cell) ?? 1)
    return Math.max(1, ...scores.filter((score) => score <= mostPoints))
  }

  private describe(row: TableRow, number: number, kind: 'out of' | 'skill' | 'words', cell: string): void {
    const said = this.said.get(number)
    if (!said || cell === '') return
    this.trying(row.number, () => {
      if (number > mostQuestions) throw new NotTaken(`A paper has no more than ${mostQuestions} questions.`)
      if (kind === 'words') said.words = cell.slice(0, 500)
      else if (kind === 'skill') said.skill = this.skillCalled(cell)
      else {
        const outOf = pointsIn(cell) ?? 0
        if (outOf <= 0 || outOf > mostPoints)
          throw new NotTaken(`Question ${number}: “${cell}” is no number of points.`)
        said.outOf = outOf
      }
    })
  }

  /** @throws NotTaken */
  private skillCalled(cell: string): string {
    const { record } = this.index
    const own = { ...record, skills: record.skills.filter(({ subject }) => subject === this.work.subject) }
    const found = ownNames(own).get(headingKey(cell))
    if (found?.what !== 'level' || found.kind !== 'skill') throw new NotTaken(`No skill here is called “${cell}”.`)
    return found.about
  }

  private identityIn(row: TableRow): Required<RowIdentity> {
    const part = (wanted: string): string =>
      row.cells[this.heading.cells.findIndex((cell) => roleByHeading(cell) === wanted)] ?? ''
    return { number: part('number'), name: part('name'), given: part('given name'), family: part('family name') }
  }

  private isNobodys(row: TableRow): boolean {
    return Object.values(this.identityIn(row)).every((part) => part === '')
  }

  private ofChild(row: TableRow, act: (student: Student) => void): void {
    const who = this.identityIn(row)
    const label = who.number || who.name || who.given || who.family
    // What adds the others up is nobody's; a child may be called so (Max).
    if (isSummary(label) && this.match(who).kind === 'unknown') return
    this.trying(row.number, () => act(this.whose(who)))
  }

  private trying(row: number, act: () => void): void {
    try {
      act()
    } catch (error) {
      if (!(error instanceof NotTaken)) throw error
      if (!this.refused.some((each) => each.row === row && each.reason === error.message))
        this.refused.push({ row, reason: error.message })
    }
  }

  private lineOf({ number, words, skill, outOf }: Question): string {
    const shows = this.index.record.skills.find(({ id }) => id === skill)?.statement
    return `Question ${number}${words && `, ${words}`}: out of ${outOf}${shows ? `, shows “${shows}”` : ''}`
  }
}

const mostPoints = 100_000

function sameQuestion(one: Question, other: Question): boolean {
  return (['number', 'words', 'skill', 'outOf'] as const).every((part) => one[part] === other[part])
}

/** What a cell gives of a question's points, as a gradebook's cell is read; null for none. @throws NotTaken */
function scoreIn(cell: string, { number, outOf }: Question): number | null {
  if (/^[✓✔☑]$/.test(cell)) return outOf
  if (/^[✗✘☒]$/.test(cell)) return 0
  const read = readScore(cell, null)
  if (read.kind === 'empty') return null
  // Missing, late and the like are said of a whole paper, never of a question.
  if (read.kind === 'refused' || read.state !== 'scored' || read.score === null)
    throw new NotTaken(`Question ${number}: “${cell}” is no score.`)
  return read.outOf === null ? read.score : (read.score / read.outOf) * outOf
}

/** A cell's figure as it is; null where it has none. */
function pointsIn(cell: string): number | null {
  const read = readScore(cell, null)
  return read.kind === 'result' ? read.score : null
}
