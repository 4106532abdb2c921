import { noteSending, noteTyping } from '~/composables/begunForms'
import { useLeaving } from '~/stores/leaving'

/** Asks before a page goes on which something is begun: by a link, by a key, by Back, by closing the tab. */
export default defineNuxtPlugin(() => {
  const leaving = useLeaving()
  document.addEventListener('input', noteTyping, { capture: true })
  document.addEventListener('submit', noteSending, { capture: true })
  useRouter().beforeEach((to, from) => to.path === from.path || leaving.mayGo())
  window.addEventListener('beforeunload', (event) => {
    if (leaving.wouldLose()) event.preventDefault()
  })
})
