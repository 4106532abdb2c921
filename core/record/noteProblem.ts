import { bounds } from './fields'
import type { Observation } from './observations'
import type { Term } from './term'

/**
 * Why a note cannot be kept in a term, in a sentence; null where it can.
 * @param today an ISO date: a note is about a day that has been
 * @example noteProblem({ date: '2027-09-01', text: 'Asked why.' }, springTerm, '2027-03-01')
 * // '2027-09-01 has not been yet: choose today or an earlier day.'
 */
export function noteProblem(
  { date, text, symbol = null }: Pick<Observation, 'date' | 'text'> & Partial<Pick<Observation, 'symbol'>>,
  { name, starts }: Pick<Term, 'name' | 'starts'>,
  today: string,
): string | null {
  if (text.trim() === '' && symbol === null) return 'Write what was seen or said.'
  if (text.trim().length > bounds.note) return `Keep a note under ${bounds.note.toLocaleString('en')} characters.`
  if (date === '') return 'Say on which day it was.'
  if (date > today) return `${date} has not been yet: choose today or an earlier day.`
  return date < starts ? `${date} is before ${name} began, on ${starts}.` : null
}
