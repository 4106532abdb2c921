import type { StepsAnswer, UndoAnswer } from '~~/contracts/history'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'

type Next = StepsAnswer['undo']

/**
 * What its owner can take back next in the class in view, step by step, and bring back: also what was done before the
 * page was loaded, or on another machine.
 */
export function useClassSteps() {
  const classRecord = useClassRecord()
  const saving = useSaving()
  const { busy, problem, attempt } = useAttempt()
  const undo = ref<Next>(null)
  const again = ref<Next>(null)
  /** What could not be undone, since somebody wrote there later: the step before comes next. */
  const passed = new Set<number>()

  async function look(): Promise<void> {
    const { place } = classRecord
    const found = await askServer<StepsAnswer>('GET', `${place}/steps?passed=${[...passed].join(',')}`)
    if (place === classRecord.place) [undo.value, again.value] = [found.undo, found.again]
  }

  /** After a step that was refused: where it was gone on with, it is there anew; else it is passed over. */
  async function lookPast(step: NonNullable<Next>): Promise<void> {
    await look()
    const isAnew = [undo.value, again.value].some((each) => each?.id === step.id && each.seen !== step.seen)
    if (isAnew) return
    passed.add(step.id)
    await look()
  }

  /** Takes a step back, or forth. */
  function take(step: NonNullable<Next>): Promise<void> {
    return attempt(async () => {
      await saving.flush()
      let undoing: UndoAnswer
      try {
        undoing = await askServer<UndoAnswer>('POST', `/api/events/${step.id}/undo`, { seen: step.seen })
        saving.noteOwn(undoing.event)
      } catch (error) {
        if (error instanceof ApiProblem && error.status === 409) await lookPast(step)
        throw error
      }
      await Promise.all([classRecord.load(), look()])
      // What belongs to no class, as a phrase of the school, is brought back from here all the same.
      const isForth = step.undoes !== null
      if (!isForth) again.value ??= { ...step, id: undoing.event, undoes: step.id, seen: undoing.version }
    })
  }

  watch(
    () => classRecord.record && classRecord.place,
    (place) => {
      passed.clear()
      problem.value = ''
      if (place) void look().catch(() => undefined)
    },
    { immediate: true },
  )
  // What was just saved is the newest step; nothing is asked for it.
  watch(
    () => saving.lastEvent,
    (event) => {
      if (event === null) return
      undo.value = { ...event, kind: '', undoes: null, undoneBy: null, at: new Date().toISOString() }
      again.value = null
    },
  )
  return { undo, again, busy, problem, take }
}
