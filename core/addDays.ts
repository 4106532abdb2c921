/**
 * The day so many days after another (before it, below 0); ISO dates.
 * @example addDays('2027-02-27', 2) // '2027-03-01'
 */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
}
