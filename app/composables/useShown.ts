import { refDebounced } from '@vueuse/core'
import type { InjectionKey } from 'vue'
import type { Student } from '~~/core/record/roster'
import type { RecordIndex } from '~~/core/record/recordIndex'
import { useClassRecord } from '~/stores/classRecord'

/** Whom a margin shows, and the record that it is shown from. */
interface Shown {
  readonly student: Student | null
  readonly index: RecordIndex | null
}

const shownKey: InjectionKey<Readonly<Ref<Shown>>> = Symbol('shown in the margin')
/** A margin follows once no key was pressed for so long, in ms, and at the latest after so many. */
const rest = 120
const longest = 1000

/** What follows the work beside it when the keys rest: nothing of it is drawn between two keys. */
export function unhurried<Value>(source: () => Value): Readonly<Ref<Value>> {
  return refDebounced(computed(source) as Ref<Value>, rest, { maxWait: longest })
}

/**
 * Below here the margin follows unhurriedly, where nothing is decided in it.
 * @param isUnhurried whether that is so now; else it shows at once whom the work is about
 */
export function provideShown(isUnhurried: () => boolean): void {
  const classRecord = useClassRecord()
  const now = computed((): Shown => ({ student: classRecord.student, index: classRecord.index }))
  const rested = unhurried(() => now.value)
  provide(
    shownKey,
    computed(() => (isUnhurried() ? rested.value : now.value)),
  )
}

/** Whom to show: the student in view, at once where no margin says otherwise. */
export function useShown(): Readonly<Ref<Shown>> {
  const classRecord = useClassRecord()
  return inject(shownKey, () => computed(() => ({ student: classRecord.student, index: classRecord.index })), true)
}
