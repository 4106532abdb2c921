/**
 * What is made of each of some things, all in one list. As flatMap, for what runs in every comment: that looks at each
 * list to see whether it is one, and asks for each place whether anything is there.
 * @example flatMap(['ash', 'elm'], (word) => [...word]) // ['a', 's', 'h', 'e', 'l', 'm']
 */
export function flatMap<Thing, Made>(things: readonly Thing[], make: (thing: Thing) => readonly Made[]): Made[] {
  const all: Made[] = []
  for (const thing of things) for (const made of make(thing)) all.push(made)
  return all
}

/**
 * What is found for each of some things, where there is anything.
 * @example filterMap([3, 0, 2], (number) => number || null) // [3, 2]
 */
export function filterMap<Thing, Made>(
  things: readonly Thing[],
  find: (thing: Thing) => Made | null | undefined,
): Made[] {
  const all: Made[] = []
  for (const thing of things) {
    const made = find(thing)
    if (made !== null && made !== undefined) all.push(made)
  }
  return all
}
