/**
 * Remembers what was made of a thing for as long as the thing is in use. The things of a record are exchanged, never
 * changed.
 * @example const byId = once((students: readonly Student[]) => new Map(students.map((each) => [each.id, each])))
 */
export function once<Thing extends object, Made>(make: (thing: Thing) => Made): (thing: Thing) => Made {
  const known = new WeakMap<Thing, Made>()
  return (thing) => {
    const before = known.get(thing)
    if (before !== undefined) return before
    const made = make(thing)
    known.set(thing, made)
    return made
  }
}
