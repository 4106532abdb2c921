/** A list that has a place for so high a number; twice as long where it has none. */
export function withRoomFor(number: number, list: Int32Array): Int32Array {
  if (number < list.length) return list
  const longer = new Int32Array(2 * number)
  longer.set(list)
  return longer
}
