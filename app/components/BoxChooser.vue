<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { takersOf } from '~~/core/record/takers'
import { useClassRecord } from '~/stores/classRecord'

/** The boxes of the report, with how many of the class are written: on a line or two, or as a list in less room. */
const classRecord = useClassRecord()
const frame = useTemplateRef('frame')
const { width } = useElementSize(frame)

const boxes = computed(() =>
  (classRecord.record?.boxes ?? []).map((box) => {
    const takers = takersOf(classRecord.record?.students ?? [], box.subject)
    const written = takers.filter(({ id }) => classRecord.index?.commentOf(id, box.key)?.text).length
    return { box, written, all: takers.length }
  }),
)
/** So much room does a box need at the least, where their names take two lines. */
const leastBox = 60
const isShort = computed(() => width.value > 0 && width.value < boxes.value.length * leastBox)
</script>

<template>
  <div ref="frame">
    <label v-if="isShort" class="flex items-center gap-2 text-sm"
      >Box
      <select
        class="field min-w-0 flex-1"
        :value="classRecord.box?.key"
        @change="classRecord.chooseBox(($event.target as HTMLSelectElement).value)"
      >
        <option v-for="{ box, written, all } in boxes" :key="box.key" :value="box.key">
          {{ box.name }} ({{ written }} of {{ all }} written)
        </option>
      </select></label
    >
    <div v-else role="group" aria-label="Comment box" class="flex flex-wrap gap-x-3 border-b border-rule text-sm">
      <button
        v-for="{ box, written, all } in boxes"
        :key="box.key"
        type="button"
        class="min-w-0 border-b-2 pt-1 pb-1.5 text-left"
        :aria-pressed="box.key === classRecord.box?.key"
        :class="box.key === classRecord.box?.key ? 'border-teal font-semibold text-teal' : 'border-transparent'"
        :title="`${box.name}: ${written} of ${all} written`"
        @click="classRecord.chooseBox(box.key)"
      >
        <span class="block truncate">{{ box.name }}</span>
        <span class="block text-xs font-normal text-muted">{{ written }}/{{ all }}</span>
      </button>
    </div>
  </div>
</template>
