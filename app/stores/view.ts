import { useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { DeskAnswer } from '~~/contracts/answers'
import { askServer } from '~/composables/useApi'

interface Kept {
  classId: string | null
  termId: string | null
  /** The school year that the term belongs to. */
  yearId: string | null
  subject: string | null
  studentId: string | null
  box: string | null
  stage: string
  margin: boolean
}

const nothing: Kept = {
  classId: null,
  termId: null,
  yearId: null,
  subject: null,
  studentId: null,
  box: null,
  stage: 'gather',
  margin: true,
}

/** Where the last visit left off, for a tab that has just been opened. */
const lastVisit = 'facunda.view'

function fromLastVisit(): Kept {
  try {
    return { ...nothing, ...(JSON.parse(localStorage.getItem(lastVisit) ?? '{}') as Partial<Kept>) }
  } catch {
    return nothing
  }
}

/**
 * What is looked at: class, term, subject, student. It stays from stage to stage, and is this tab's own: another tab
 * looks at something else. A new tab begins where somebody looked last.
 */
export const useView = defineStore('view', () => {
  const kept = useSessionStorage<Kept>('facunda.view', fromLastVisit(), { mergeDefaults: true })
  watch(kept, (now) => localStorage.setItem(lastVisit, JSON.stringify(now)), { deep: true })
  const desk = shallowRef<DeskAnswer | null>(null)
  const chosenYear = ref<string | null>(null)
  /** The year whose set-up, classes and people are looked at in School: that of today, until another is chosen. */
  const schoolYear = computed({
    get: () => chosenYear.value ?? kept.value.yearId,
    set: (id) => (chosenYear.value = id),
  })

  async function loadDesk(): Promise<DeskAnswer> {
    const answer = await askServer<DeskAnswer>('GET', '/api/desk')
    desk.value = answer
    if (!answer.classes.some((each) => each.id === kept.value.classId))
      kept.value.classId = answer.classes[0]?.id ?? null
    if (!answer.terms.some((each) => each.id === kept.value.termId)) kept.value.termId = answer.term.id
    kept.value.yearId = answer.term.yearId
    return answer
  }

  /** Forgets where one was, when there is nothing there any more. */
  function forget(): void {
    kept.value = { ...nothing }
    desk.value = null
    chosenYear.value = null
  }

  return { kept, desk, schoolYear, loadDesk, forget }
})
