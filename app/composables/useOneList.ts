import { useSessionStorage } from '@vueuse/core'
import type { TaughtClass } from '~~/contracts/answers'
import { stages } from '~~/core/terms/progress'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { useSession } from '~/stores/session'
import { useView } from '~/stores/view'

/**
 * The children of all the classes that somebody teaches, as one list: a specialist's twelve groups are worked through
 * from the first name to the last. It is fetched when it is asked for, and again when another class is turned to.
 */
export function useOneList() {
  const classRecord = useClassRecord()
  const view = useView()
  const session = useSession()
  /** Whether all classes stand in the list. */
  const all = useSessionStorage('facunda.oneList', false)
  /** Whether only those are listed with whom something is left to do in the stage in view. */
  const onlyOpen = useSessionStorage('facunda.oneList.open', false)
  /** What was fetched last, by whom and for which term: a list that is drawn anew has it at once. */
  const fetched = useState<{ by: string; classes: readonly TaughtClass[] }>('one list', () => ({ by: '', classes: [] }))
  const asker = computed(() => `${session.person?.id} ${view.kept.termId}`)
  const problem = ref('')
  const canBe = computed(() => (view.desk?.classes.filter(({ teaches }) => teaches).length ?? 0) > 1)

  async function load(): Promise<void> {
    if (!all.value || !view.kept.termId) return
    try {
      const by = asker.value
      const found = await askServer<TaughtClass[]>('GET', `/api/terms/${view.kept.termId}/children`)
      fetched.value = { by, classes: found }
      problem.value = ''
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    }
  }
  watch([all, () => classRecord.place], load, { immediate: true })

  const stage = computed(() => stages.find((each) => each === view.kept.stage) ?? 'write')
  const classes = computed(() =>
    (fetched.value.by === asker.value ? fetched.value.classes : []).map(({ children, ...room }) => {
      const here = room.id === classRecord.record?.classRoom.id
      const now = children.map((child) => ({
        ...child,
        // What is in view is known as it is; the others as they were when this was fetched.
        progress: (here && classRecord.progress.get(child.id)) || child.progress,
      }))
      const isOpen = ({ progress }: (typeof now)[number]): boolean => {
        const { done, of } = progress[stage.value]
        return done < of
      }
      return { ...room, open: now.filter(isOpen).length, children: onlyOpen.value ? now.filter(isOpen) : now }
    }),
  )
  return { all, onlyOpen, canBe, classes, problem }
}
