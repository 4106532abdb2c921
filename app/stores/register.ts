import { defineStore } from 'pinia'
import type { RegisterToKeep } from '~~/contracts/evidence'
import { groupBy } from '~~/core/groupBy'
import { sumsAfter, type Presence, type RegisterDay } from '~~/core/record/register'
import type { DaysCell } from '~~/core/record/withWritten'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from './classRecord'
import { useSaving } from './saving'

/** A line of the register to keep: null takes the day back. */
export interface RegisterCell {
  readonly studentId: string
  readonly day: string
  readonly presence: Presence | null
}

/** The register of the class in view, day by day; fetched when somebody first looks at it. */
export const useRegister = defineStore('register', () => {
  const classRecord = useClassRecord()
  const saving = useSaving()
  const days = shallowRef<ReadonlyMap<string, Presence>>(new Map())
  /** Of which place the days are. */
  const loaded = ref('')

  const cellKey = ({ studentId, day }: { studentId: string; day: string }): string => `${studentId} ${day}`
  const presenceOn = (studentId: string, day: string): Presence | undefined => days.value.get(`${studentId} ${day}`)

  async function load(): Promise<void> {
    const wanted = classRecord.place
    const rows = await askServer<RegisterDay[]>('GET', `${wanted}/register`)
    if (wanted !== classRecord.place) return
    days.value = new Map(rows.map((row) => [cellKey(row), row.presence]))
    loaded.value = wanted
    // What this device has not been able to send yet is what its owner means.
    for (const work of [...saving.waiting.map((entry) => entry.work), ...saving.pending.values()])
      if (work.kind === 'register' && work.path.startsWith(`${wanted}/`)) put(work.body.days)
  }

  // What was undone, let go of or taken in elsewhere comes with the class; the register comes along.
  watch(
    () => classRecord.record?.students,
    () => {
      if (loaded.value === classRecord.place) void load().catch(() => (loaded.value = ''))
      else loaded.value = ''
    },
  )

  function put(cells: readonly RegisterCell[]): void {
    const now = new Map(days.value)
    for (const { presence, ...at } of cells) {
      if (presence === null) now.delete(cellKey(at))
      else now.set(cellKey(at), presence)
    }
    days.value = now
  }

  const ofChild = (studentId: string): Presence[] =>
    [...days.value].flatMap(([place, presence]) => (place.startsWith(`${studentId} `) ? [presence] : []))

  /** Keeps days, at once on the screen. */
  function give(cells: readonly RegisterCell[]): void {
    const changed = cells.filter(({ presence, ...at }) => (days.value.get(cellKey(at)) ?? null) !== presence)
    if (changed.length === 0) return
    const toKeep = changed.map((cell): RegisterToKeep => ({ ...cell, was: days.value.get(cellKey(cell)) ?? null }))
    const children = [...groupBy(changed, ({ studentId }) => studentId).keys()]
    const before = new Map(children.map((id) => [id, ofChild(id)]))
    put(changed)
    const sums = children.flatMap((studentId): DaysCell[] => {
      const { studentId: _, ...standing } = classRecord.index?.attendanceOf(studentId) ?? { studentId }
      const had = 'daysOpen' in standing ? standing : null
      const after = sumsAfter(before.get(studentId) ?? [], ofChild(studentId), had)
      return after === undefined ? [] : [{ studentId, days: after }]
    })
    classRecord.giveRegister(toKeep, sums)
  }

  return { loaded, presenceOn, load, give, ofChild }
})
