/**
 * A key from a name, that nobody has yet: what it is called may change later, its key never.
 * @example keyFor('Números y formas', ['numeros-y-formas']) // 'numeros-y-formas-2'
 */
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
