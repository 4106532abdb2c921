/** What a form's field holds now. */
export function valueOf(event: Event): string {
  return (event.target as HTMLInputElement | HTMLSelectElement).value
}

/** A key from a name, that nobody has yet: what it is called may change later, its key never. */
export function keyFor(name: string, taken: readonly string[]): string {
  const plain =
    name
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLocaleLowerCase('en')
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'new'
  let key = plain
  for (let nth = 2; taken.includes(key); nth += 1) key = `${plain}-${nth}`
  return key
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
