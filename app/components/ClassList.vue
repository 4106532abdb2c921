<script setup lang="ts">
import { displayName } from '~~/core/people/names'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'

/** The class, always at the left, always in the same order. */
const classRecord = useClassRecord()
const view = useView()
const list = useTemplateRef('list')

/** All that a row shows of progress and choice, in one word: a row is drawn again only when this changes. */
function rowState(id: string): string {
  return `${JSON.stringify(classRecord.progress.get(id))}|${id === classRecord.student?.id}`
}

function move(event: KeyboardEvent, by: 1 | -1): void {
  event.preventDefault()
  classRecord.step(by)
  void nextTick(() => list.value?.querySelector<HTMLElement>('[aria-current="true"]')?.focus())
}
</script>

<template>
  <nav aria-label="Class list" class="flex w-56 shrink-0 flex-col border-r border-rule">
    <ul
      ref="list"
      class="min-h-0 flex-1 overflow-y-auto py-1"
      @keydown.down="move($event, 1)"
      @keydown.up="move($event, -1)"
    >
      <li v-for="each in classRecord.record?.students" :key="each.id" v-memo="[each, rowState(each.id)]">
        <button
          type="button"
          class="flex w-full items-center gap-2 border-l-3 px-3 py-[3px] text-left"
          :class="each.id === classRecord.student?.id ? 'border-teal bg-teal-wash font-semibold' : 'border-transparent'"
          :aria-current="each.id === classRecord.student?.id"
          @click="view.kept.studentId = each.id"
        >
          <span class="min-w-0 flex-1 truncate">{{ displayName({ given: each.usedName, family: each.family }) }}</span>
          <ProgressStrokes :progress="classRecord.progress.get(each.id)" />
        </button>
      </li>
    </ul>
  </nav>
</template>
