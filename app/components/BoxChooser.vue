<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'

/** The boxes of the report, with how many of the class are written. */
const classRecord = useClassRecord()

const boxes = computed(() =>
  (classRecord.record?.boxes ?? []).map((box) => ({
    box,
    written:
      classRecord.record?.comments.filter((comment) => comment.box === box.key && comment.text !== '').length ?? 0,
  })),
)
</script>

<template>
  <div role="group" aria-label="Comment box" class="flex flex-wrap gap-x-5 gap-y-1 border-b border-rule">
    <button
      v-for="{ box, written } in boxes"
      :key="box.key"
      type="button"
      class="border-b-2 pb-1.5"
      :aria-pressed="box.key === classRecord.box?.key"
      :class="box.key === classRecord.box?.key ? 'border-teal font-semibold text-teal' : 'border-transparent'"
      @click="classRecord.chooseBox(box.key)"
    >
      {{ box.name }}
      <span class="text-xs font-normal text-muted">{{ written }}/{{ classRecord.record?.students.length }}</span>
    </button>
  </div>
</template>
