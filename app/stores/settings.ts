import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { usualSettings, type OwnSettings } from '~~/contracts/ownSettings'
import { displayName } from '~~/core/people/names'
import { askServer } from '~/composables/useApi'
import { useSaving } from './saving'

/** What to change; a function where it depends on what the choice before has left. */
type Change = Partial<OwnSettings> | ((own: OwnSettings) => Partial<OwnSettings>)

/** How the person who is signed in likes to work, and what follows from it for names, marks and the paper. */
export const useSettings = defineStore('settings', () => {
  const saving = useSaving()
  const own = shallowRef<OwnSettings>(usualSettings)
  /** The look alone is remembered here too, so that a dark page is dark from the first moment on. */
  const look = useLocalStorage<Pick<OwnSettings, 'paper' | 'textSize'>>('facunda.look', {
    paper: usualSettings.paper,
    textSize: usualSettings.textSize,
  })
  const loaded = ref(false)

  async function load(): Promise<void> {
    take(await askServer<OwnSettings>('GET', '/api/settings'))
    loaded.value = true
  }

  function take(settings: OwnSettings): void {
    own.value = settings
    look.value = { paper: settings.paper, textSize: settings.textSize }
  }

  /** One choice after the other, however fast they are made: each says what the one before has left. */
  let before: Promise<void> = Promise.resolve()
  function change(part: Change): Promise<void> {
    const now = before.then(() => send(part))
    before = now.catch(() => undefined)
    return now
  }

  async function send(part: Change): Promise<void> {
    const settings = { ...own.value, ...(typeof part === 'function' ? part(own.value) : part) }
    await saving.askFor('PUT', '/api/settings', { settings, was: own.value })
    take(settings)
  }

  watchEffect(() => {
    const { dataset } = document.documentElement
    dataset.paper = look.value.paper
    dataset.text = look.value.textSize
  })

  const nameOf = ({ usedName, family }: { usedName: string; family: string }): string =>
    displayName({ given: usedName, family }, own.value.names)

  return { own, loaded, load, change, nameOf }
})
