<script setup lang="ts">
import { movedLevels } from '~~/core/record/levelEvidence'
import type { LevelKind } from '~~/core/record/termRecord'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** Whose record has changed since their level or score was settled, to be decided about. */
const { kind, columns, proposed } = defineProps<{
  kind: LevelKind
  columns: readonly { about: string; title: string }[]
  /** What the record proposes now. */
  proposed: ReadonlyMap<string, string>
  may: boolean
}>()
const classRecord = useClassRecord()
const settings = useSettings()
const titles = computed(() => new Map(columns.map(({ about, title }) => [about, title])))
const moved = computed(() => {
  const { index } = classRecord
  return index ? movedLevels(index, kind, proposed).filter(({ about }) => titles.value.has(about)) : []
})
const lines = computed(() =>
  moved.value.flatMap(({ studentId, about, ...moves }) => {
    const student = classRecord.index?.student(studentId)
    if (!student) return []
    const name = `${settings.nameOf(student)}, ${titles.value.get(about)}`
    return [
      { ...moves, key: `${studentId} ${about}`, name, usedName: `${student.usedName}, ${titles.value.get(about)}` },
    ]
  }),
)

function decide(keys: readonly string[], decision: 'take' | 'keep'): void {
  const decided = moved.value.filter(({ studentId, about }) => keys.includes(`${studentId} ${about}`))
  classRecord.settleLevels(
    kind,
    decided.map(({ studentId, about, to, settled }) => ({
      studentId,
      about,
      symbol: decision === 'take' ? to : settled,
    })),
  )
}
</script>

<template>
  <MovedSettled :what="kind === 'skill' ? 'level' : 'score'" :lines="lines" :may="may" @decide="decide" />
</template>
