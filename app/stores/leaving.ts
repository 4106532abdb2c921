import { until } from '@vueuse/core'
import { defineStore } from 'pinia'
import { begunForms } from '~/composables/begunForms'
import { useSaving } from './saving'

/** Milliseconds for which leaving waits for what is under way, before it asks. */
const longestWait = 2000

/** Whether a page may be left: nothing that somebody has begun on it goes without their being asked. */
export const useLeaving = defineStore('leaving', () => {
  const saving = useSaving()
  const unsaved = new Set<() => boolean>()
  const isAsking = ref(false)
  let answer: (leaves: boolean) => void = () => undefined

  /** Has leaving wait for an answer while something is unsaved; returns what ends that. */
  function hold(isUnsaved: () => boolean): () => void {
    unsaved.add(isUnsaved)
    return () => unsaved.delete(isUnsaved)
  }

  /** Saves the field that is typed in, as if it had been left. */
  function leaveField(): void {
    if (document.activeElement instanceof HTMLElement && document.activeElement !== document.body)
      document.activeElement.blur()
  }

  const isUnsaved = (): boolean => begunForms(document).length > 0 || [...unsaved].some((each) => each())

  /** Whether a page of ours may take this one's place: at once, or when somebody has said so. */
  async function mayGo(): Promise<boolean> {
    leaveField()
    await nextTick()
    // What is on its way to the server is saved in a moment.
    if (isUnsaved()) await until(() => saving.isAsked).toBe(false, { timeout: longestWait })
    if (!isUnsaved()) return true
    answer(false)
    isAsking.value = true
    return new Promise((resolve) => {
      answer = resolve
    })
  }

  function say(leaves: boolean): void {
    isAsking.value = false
    answer(leaves)
  }

  /** Whether closing the page, or loading another, would lose something: the browser asks then. */
  function wouldLose(): boolean {
    leaveField()
    return isUnsaved() || saving.isAsked
  }

  return { isAsking, hold, mayGo, say, wouldLose }
})
