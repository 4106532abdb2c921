<script setup lang="ts">
import type { HistoryEntry } from '~~/contracts/history'
import { useClassRecord } from '~/stores/classRecord'

/** Who changed a value, when, from what to what: at the value itself, looked up when it is opened. */
const props = defineProps<{
  of: 'mark' | 'skill' | 'habit' | 'result' | 'comment'
  studentId: string
  /** The subject, skill, habit, piece of work or box. */
  about: string
}>()
const classRecord = useClassRecord()
const { busy, problem, attempt } = useAttempt()
const entries = ref<HistoryEntry[] | null>(null)
const isOpen = ref(false)

const stands = computed(() => {
  const { index } = classRecord
  const { studentId, about } = props
  if (props.of === 'mark') return index?.markOf(studentId, about)
  if (props.of === 'result') return index?.resultOf(about, studentId)
  return props.of === 'comment' ? index?.commentOf(studentId, about) : index?.levelOf(studentId, props.of, about)
})
// Another cell, or another value in it: what was looked up is of before.
watch(
  () => [props.of, props.studentId, props.about, stands.value] as const,
  () => {
    entries.value = null
    if (isOpen.value) void look()
  },
)

function look(): Promise<void> {
  return attempt(async () => {
    const asked = new URLSearchParams({ of: props.of, student: props.studentId, about: props.about })
    entries.value = await askServer<HistoryEntry[]>('GET', `${classRecord.place}/history?${asked.toString()}`)
  })
}

function toggled(event: Event): void {
  isOpen.value = (event.target as HTMLDetailsElement).open
  if (isOpen.value && entries.value === null) void look()
}
</script>

<template>
  <details class="text-sm" @toggle="toggled">
    <summary class="text-muted">History</summary>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-else-if="busy && entries === null" class="text-muted">looking it up …</p>
    <p v-else-if="entries?.length === 0" class="text-muted">
      {{
        stands === undefined ? 'Nobody has entered anything here.' : 'It came with a whole bundle or a school folder.'
      }}
    </p>
    <ol v-else class="mt-1 grid gap-1">
      <li v-for="each in entries ?? []" :key="each.event" class="border-l-2 border-rule pl-2">
        {{ pastValueText(each.from) }} → <b>{{ pastValueText(each.to) }}</b>
        <span class="block text-muted">{{ each.by }}, {{ whenText(each.at) }}; {{ each.kind }}</span>
      </li>
    </ol>
  </details>
</template>
