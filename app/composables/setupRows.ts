/** What a form's field holds now. */
export function valueOf(event: Event): string {
  return (event.target as HTMLInputElement | HTMLSelectElement).value
}

/** Behind everything that stands there. */
export function nextPosition(rows: readonly { position: number }[]): number {
  return Math.max(-1, ...rows.map((row) => row.position)) + 1
}

/** How much rests on something, in words. */
export function restsOn(count: number | undefined): string {
  if (!count) return 'not used yet'
  return count === 1 ? 'one entry rests on it' : `${count.toLocaleString('en')} entries rest on it`
}
