import 'fake-indexeddb/auto'

// What pages find in a browser and Node.js has not: places on the device, and (before 21) who is browsing.

/** A Storage in memory. */
class Places implements Storage {
  [name: string]: unknown
  readonly #held = new Map<string, string>()
  get length(): number {
    return this.#held.size
  }
  key = (at: number): string | null => [...this.#held.keys()][at] ?? null
  getItem = (key: string): string | null => this.#held.get(key) ?? null
  setItem(key: string, value: string): void {
    this.#held.set(key, value)
    this[key] = value
  }
  removeItem(key: string): void {
    this.#held.delete(key)
    Reflect.deleteProperty(this, key)
  }
  clear = (): void => [...this.#held.keys()].forEach((key) => this.removeItem(key))
}

for (const name of ['localStorage', 'sessionStorage'])
  Object.defineProperty(globalThis, name, { value: keysAlone(new Places()), configurable: true })
if (!('navigator' in globalThis)) Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true })

/** Object.keys of a Storage are what it holds. */
function keysAlone(places: Places): Places {
  for (const own of ['key', 'getItem', 'clear'])
    Object.defineProperty(places, own, { value: places[own], enumerable: false })
  return places
}
