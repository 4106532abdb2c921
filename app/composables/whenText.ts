/**
 * A moment as people say it.
 * @example whenText('2026-11-27T09:15:00Z') // '27 Nov 2026, 09:15' where the reader is in that time
 */
export function whenText(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
}
