import { nameKey } from './names'

/**
 * Those whose words begin with all that was typed, in any order; those that begin with it first, else as they stand.
 * O(all of them); nothing typed finds nothing out.
 * @example findByWords(['Zoë van der Meulen', 'Bea Salgueiro'], 'meu z', (each) => each) // ['Zoë van der Meulen']
 */
export function findByWords<Thing>(things: readonly Thing[], typed: string, words: (thing: Thing) => string): Thing[] {
  const wanted = nameKey(typed).split(' ').filter(Boolean)
  if (wanted.length === 0) return [...things]
  const found = things.flatMap((thing) => {
    const key = nameKey(words(thing))
    const own = key.split(/[\s(),.:–-]+/)
    return wanted.every((word) => own.some((each) => each.startsWith(word))) ? [{ thing, key }] : []
  })
  const first = nameKey(typed)
  return [
    ...found.filter(({ key }) => key.startsWith(first)),
    ...found.filter(({ key }) => !key.startsWith(first)),
  ].map(({ thing }) => thing)
}
