<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'
import { useSettings } from '~/stores/settings'

/** The names of the class, always in the same order; one stop for the keyboard, with arrows inside. */
const emit = defineEmits<{ chosen: [] }>()
const classRecord = useClassRecord()
const settings = useSettings()
const view = useView()
const list = useTemplateRef('list')

/** All that a row shows of progress and choice, in one word: a row is drawn again only when this changes. */
function rowState(id: string): string {
  return `${JSON.stringify(classRecord.progress.get(id))}|${id === classRecord.student?.id}`
}

const steps: Record<string, (at: number, last: number) => number> = {
  ArrowDown: (at, last) => Math.min(last, at + 1),
  ArrowUp: (at) => Math.max(0, at - 1),
  Home: () => 0,
  End: (_at, last) => last,
}

function onKey(event: KeyboardEvent): void {
  const students = classRecord.record?.students ?? []
  const step = steps[event.key]
  if (!step || students.length === 0) return
  event.preventDefault()
  const at = students.findIndex((each) => each.id === classRecord.student?.id)
  view.kept.studentId = students[step(at, students.length - 1)]?.id ?? null
  void nextTick(() => list.value?.querySelector<HTMLElement>('[aria-current="true"]')?.focus())
}

function choose(id: string): void {
  view.kept.studentId = id
  emit('chosen')
}
</script>

<template>
  <ul ref="list" class="py-1" @keydown="onKey">
    <li
      v-for="each in classRecord.record?.students"
      :key="each.id"
      v-memo="[each, rowState(each.id), settings.own.names]"
    >
      <button
        type="button"
        class="flex w-full items-center gap-2 border-l-3 px-3 py-[3px] text-left"
        :class="each.id === classRecord.student?.id ? 'border-teal bg-teal-wash font-semibold' : 'border-transparent'"
        :aria-current="each.id === classRecord.student?.id"
        :tabindex="each.id === classRecord.student?.id ? 0 : -1"
        @click="choose(each.id)"
      >
        <span class="min-w-0 flex-1 truncate">{{ settings.nameOf(each) }}</span>
        <ProgressStrokes :progress="classRecord.progress.get(each.id)" />
      </button>
    </li>
  </ul>
</template>
