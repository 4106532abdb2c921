/**
 * Ends a switch that must know every kind of something: a new kind fails to compile at each place that tells them
 * apart.
 * @throws Error when a value from outside is of no known kind after all
 */
export function assertNever(value: never): never {
  throw new Error(`This kind is not known here: ${JSON.stringify(value)}`)
}
