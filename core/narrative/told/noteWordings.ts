import type { NoteFact } from '../because'
import type { ToldWording } from './toldWording'

const month = new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' })

/** A note that may be told, as a sentence of its own: "In March {they} read {their} poem aloud". */
export function noteWordings({ date, told }: Pick<NoteFact, 'date' | 'told'>): [ToldWording, ToldWording] {
  const when = month.format(new Date(`${date}T00:00:00Z`))
  return [
    { id: 'told note', text: `In ${when} {they} ${told}` },
    { id: 'told note one day', text: `One day in ${when}, {they} ${told}` },
  ]
}
