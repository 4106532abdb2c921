/**
 * Remembers what was made of a thing for as long as the thing is in use. The things of a record are exchanged, never
 * changed.
 * @example const byId = memoize((students: readonly Student[]) => new Map(students.map((each) => [each.id, each])))
 */
export function memoize<Thing extends object, Made>(make: (thing: Thing) => Made): (thing: Thing) => Made {
  const known = new WeakMap<Thing, Made>()
  return (thing) => {
    const before = known.get(thing)
    if (before !== undefined) return before
    const made = make(thing)
    known.set(thing, made)
    return made
  }
}

/**
 * Remembers what was made of words, which come again and again and are held by nobody: so many at most, then all are
 * let go of.
 * @example const syllablesOf = memoizeWords(20_000, (word) => Math.max(1, syllable(word)))
 */
export function memoizeWords<Made>(most: number, make: (words: string) => Made): (words: string) => Made {
  const known = new Map<string, Made>()
  return (words) => {
    const before = known.get(words)
    if (before !== undefined) return before
    if (known.size >= most) known.clear()
    const made = make(words)
    known.set(words, made)
    return made
  }
}

/**
 * As memoize, for each key of a thing: for each subject of a school, each student of a record.
 * @example const skillsOf = memoizeByKey((skills: readonly Skill[], subject) => skills.filter(…))
 */
export function memoizeByKey<Thing extends object, Made>(
  make: (thing: Thing, key: string) => Made,
): (thing: Thing, key: string) => Made {
  const knownOf = memoize<Thing, Map<string, Made>>(() => new Map())
  return (thing, key) => {
    const known = knownOf(thing)
    const before = known.get(key)
    if (before !== undefined) return before
    const made = make(thing, key)
    known.set(key, made)
    return made
  }
}
