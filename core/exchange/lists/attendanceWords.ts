import { headingKey } from '../files/readRecords'

export type DaysColumn = 'daysOpen' | 'absences' | 'lates' | 'present'

const daysWords: readonly [DaysColumn, RegExp][] = [
  ['absences', /^(days?)?(absen(t|ces?)|missed)(days)?$|^(hoursabsent|absenthours)$/],
  ['absences', /^(fehl(tage|std|stunden|zeiten)|absences?|ausencias|assenze|afwezig|fravær|franvaro)$/],
  ['lates', /^(times?|days)?(late|lates|tardy|tardies|latearrivals?)(s|times)?$|^(verspatungen|retards?|retrasos)$/],
  ['daysOpen', /^(days(open|possible|enrolled|inschool)|(school|possible)days|schultage|jours(ouverts)?)$/],
  ['present', /^(days?)?(present|attended|attendances?)(days)?$/],
]

/** "Absences (days)": what is counted. */
const inBrackets = /\s*\((?:days?|hours?|tage?|stunden|jours?|días?|giorni|dagen|dage[rn]?|dagar|timer|timmar)\)$/i

/**
 * What a heading says of days at school; null where it is of something else.
 * @example daysByHeading('Times late') // 'lates'
 */
export function daysByHeading(heading: string): DaysColumn | null {
  const key = headingKey(heading.replace(inBrackets, ''))
  return daysWords.find(([, pattern]) => pattern.test(key))?.[0] ?? null
}
