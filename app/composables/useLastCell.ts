/**
 * The end of a column that is typed down: once the last cell has been typed in, the next key that would write finds no
 * cell to go on to and must not write over the last one. Any way of moving, emptying or a click goes on from there.
 * What is said stands below the grid, where the last cell is, and keeps its room: nothing moves away from under a click
 * that ends it.
 */
export function useLastCell() {
  const isTypedIn = ref(false)
  const held = ref(false)

  /** To be called when what was typed would have gone on, and there was nowhere to go. */
  function reach(): void {
    isTypedIn.value = true
    held.value = false
  }

  function leave(): void {
    isTypedIn.value = false
    held.value = false
  }

  /** Whether this key is one too many, and is held back; every other key but a modifier goes on from the end. */
  function holds(event: KeyboardEvent): boolean {
    if (['Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) return false
    const writes = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey
    const isOver = isTypedIn.value && (writes || event.key === 'Enter')
    if (isOver) {
      event.preventDefault()
      held.value = true
    } else leave()
    return isOver
  }

  const said = computed(() => {
    if (!isTypedIn.value) return ''
    return held.value
      ? 'This was the last one, and that key changed nothing. An arrow key or a click goes on.'
      : 'That was the last one.'
  })

  return { said, reach, leave, holds }
}
