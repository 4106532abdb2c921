import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import type { DeskAnswer } from '~~/contracts/answers'
import { askServer } from '~/composables/useApi'

interface Kept {
  classId: string | null
  termId: string | null
  subject: string | null
  studentId: string | null
  box: string | null
  stage: string
  margin: boolean
}

/** What is looked at: class, term, subject, student. It stays from stage to stage and from visit to visit. */
export const useView = defineStore('view', () => {
  const kept = useLocalStorage<Kept>(
    'facunda.view',
    { classId: null, termId: null, subject: null, studentId: null, box: null, stage: 'gather', margin: true },
    { mergeDefaults: true },
  )
  const desk = shallowRef<DeskAnswer | null>(null)

  async function loadDesk(): Promise<DeskAnswer> {
    const answer = await askServer<DeskAnswer>('GET', '/api/desk')
    desk.value = answer
    if (!answer.classes.some((each) => each.id === kept.value.classId))
      kept.value.classId = answer.classes[0]?.id ?? null
    if (!answer.terms.some((each) => each.id === kept.value.termId)) kept.value.termId = answer.term.id
    return answer
  }

  return { kept, desk, loadDesk }
})
