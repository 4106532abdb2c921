/**
 * JSON that is passed on as it came. Half the price of a class's record was reading it from the database only to write
 * it out again.
 */
export class JsonText {
  constructor(readonly text: string) {}
}

/**
 * An object as JSON, of whose fields some are JSON already.
 *
 * @example jsonOf({ day: '2027-01-02', term: new JsonText('{"marks":[]}') }).text
 * // '{"day":"2027-01-02","term":{"marks":[]}}'
 */
export function jsonOf(fields: Readonly<Record<string, unknown>>): JsonText {
  const parts = Object.entries(fields).map(
    ([name, value]) => `${JSON.stringify(name)}:${value instanceof JsonText ? value.text : JSON.stringify(value)}`,
  )
  return new JsonText(`{${parts.join(',')}}`)
}
