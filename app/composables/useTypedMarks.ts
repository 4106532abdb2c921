import { pointsIn } from '~~/core/marks/markText'
import { mostSettled, type MarkRules } from '~~/core/marks/markRules'
import { roundHalfUp } from '~~/core/marks/rounding'
import type { MarkProposal } from '~~/core/record/markProposal'
import type { Student } from '~~/core/record/roster'
import { readSpecial, specialValues } from '~~/core/scales/special'
import { pressed } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'
import { useLastCell } from './useLastCell'

/** A cell in which a mark is settled: whose, in which subject, by which rules, and what stands there. */
export interface MarkCellAt {
  readonly student: Student
  readonly subject: string
  readonly rules: MarkRules
  readonly proposal: MarkProposal
}

/** Marks as they are typed, in per cent or points as one likes to see them; each kept, or told why it cannot be. */
export function useTypedMarks() {
  const classRecord = useClassRecord()
  const settings = useSettings()
  const problem = ref('')
  const end = useLastCell()
  const asPoints = computed(() => settings.own.marksAs === 'points')

  /** What stands in the cell, as it could be typed. */
  function cellText({ proposal: { settled }, rules }: Pick<MarkCellAt, 'proposal' | 'rules'>): string {
    if (settled?.special) return specialValues[settled.special]
    if (settled?.percent == null) return ''
    return String(
      asPoints.value ? pointsIn(settled.percent, settings.own.pointsOf) : roundHalfUp(settled.percent, rules.decimals),
    )
  }

  /** Settles what was typed; nothing takes the mark back. @returns whether it can stand */
  function settle(cell: MarkCellAt, typed: string): boolean {
    const { student, subject, rules, proposal } = cell
    const text = typed.trim().replace(',', '.').replace(/\s*%$/, '')
    problem.value = ''
    if (text === cellText(cell)) return true
    const special = readSpecial(text)
    const number = Number(text)
    const percent = special ? null : asPoints.value ? (number / settings.own.pointsOf) * 100 : number
    const most = mostSettled(rules)
    if (text !== '' && percent !== null && !(percent >= 0 && percent <= most)) {
      const range = asPoints.value
        ? `points from 0 to ${(settings.own.pointsOf * most) / 100}`
        : `a percentage from 0 to ${most}`
      problem.value = `“${typed}” is no mark. Type ${range}, or incomplete, absent, NA.`
      return false
    }
    const reason = proposal.settled?.reason ?? null
    const mark = text === '' ? null : { percent, special: special ?? null, reason }
    classRecord.settleMarks([{ studentId: student.id, subject, mark }])
    return true
  }

  /** Takes what is proposed; cells without a proposal stay as they are. */
  function take(cells: readonly Pick<MarkCellAt, 'student' | 'subject' | 'proposal'>[]): void {
    const marks = cells.flatMap(({ student, subject, proposal: { computed: proposed } }) =>
      proposed.percent === null
        ? []
        : [{ studentId: student.id, subject, mark: { percent: proposed.percent, special: null, reason: null } }],
    )
    if (marks.length > 0) classRecord.settleMarks(marks)
  }

  /**
   * What keys do in a cell: Enter takes the proposal of an empty one, or settles what was typed, and goes on.
   * @param go turns to the cell so many further down, if there is one
   */
  function onKey(event: KeyboardEvent, cell: MarkCellAt, go: (by: 1 | -1) => boolean): void {
    const input = event.target as HTMLInputElement
    if (end.holds(event)) return
    if (pressed(event, 'take')) {
      event.preventDefault()
      if (cellText(cell) === '' && input.value.trim() === '') take([cell])
      else if (!settle(cell, input.value)) return
      if (!go(1)) end.reach()
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault()
      // At the edge there is no cell to go to, and so no leaving that would keep what was typed.
      if (settle(cell, input.value)) go(event.key === 'ArrowDown' ? 1 : -1)
    } else if (pressed(event, 'asItStood')) input.value = cellText(cell)
  }

  /** A cell that is left keeps what was typed, or stands as it stood. */
  function onLeave(event: Event, cell: MarkCellAt): void {
    const input = event.target as HTMLInputElement
    end.leave()
    if (!settle(cell, input.value)) input.value = cellText(cell)
  }

  return { problem, atEnd: end.said, leaveEnd: end.leave, cellText, take, onKey, onLeave }
}
