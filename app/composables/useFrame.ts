import { createSharedComposable, useMediaQuery } from '@vueuse/core'

/** The same widths as the breakpoints `middle` and `wide` in facunda.css. */
const middle = '(min-width: 47.5rem)'
const wide = '(min-width: 68.75rem)'

/**
 * How the frame is folded: below `wide` the margin, below `middle` the class list too is a sheet that is called; and
 * which sheet is on the screen. A note, the keys and Go to are sheets at any width.
 */
export const useFrame = createSharedComposable(() => {
  const isWide = useMediaQuery(wide)
  const isMiddle = useMediaQuery(middle)
  /** What a note is about that is begun now, as "skill M1"; empty for the child as such. */
  const noteAbout = ref('')
  const sheet = ref<'margin' | 'list' | 'note' | 'keys' | 'go to' | null>(null)
  // What has room of its own again needs no sheet.
  watch([isWide, isMiddle], () => {
    if (sheet.value !== 'margin' && sheet.value !== 'list') return
    if (isWide.value || (isMiddle.value && sheet.value === 'list')) sheet.value = null
  })
  return {
    marginFolded: computed(() => !isWide.value),
    listFolded: computed(() => !isMiddle.value),
    noteAbout,
    sheet,
  }
})
