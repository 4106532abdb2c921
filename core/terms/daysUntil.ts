/**
 * Whole days from one ISO date to another; negative when it has passed.
 * @example daysUntil('2027-03-12', '2027-03-10') // 2; below 0 for a day that is over
 */
export function daysUntil(date: string, today: string): number {
  return (Date.parse(date) - Date.parse(today)) / 86_400_000
}
