import { useEventListener } from '@vueuse/core'

/**
 * Puts work off until what was typed is on the screen: one frame at the most. Where nothing is drawn it is done at
 * once, and before a page or a component goes all of it is done.
 */
export function useAfterFrame(): (work: () => void) => void {
  const waiting: (() => void)[] = []
  let isAsked = false
  function doAll(): void {
    isAsked = false
    for (const work of waiting.splice(0)) work()
  }
  useEventListener(window, 'pagehide', doAll)
  useEventListener(document, 'visibilitychange', doAll)
  onBeforeUnmount(doAll)
  return (work) => {
    waiting.push(work)
    if (document.hidden) doAll()
    else if (!isAsked) {
      isAsked = true
      requestAnimationFrame(() => setTimeout(doAll))
    }
  }
}
