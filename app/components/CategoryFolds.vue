<script setup lang="ts">
import type { PieceOfWork } from '~~/core/marks/work'

/** Which categories' work is shown in the grid; the rest is folded, and said. */
const { work } = defineProps<{ work: readonly PieceOfWork[] }>()
/** Keys of the categories that are folded. */
const folded = defineModel<string[]>({ required: true })
const categoryName = useCategoryName()

const categories = computed(() => {
  const counts = new Map<string, number>()
  for (const { category } of work) counts.set(category, (counts.get(category) ?? 0) + 1)
  return [...counts].map(([key, count]) => ({ key, count, name: categoryName(key) }))
})
const hidden = computed(() => work.filter(({ category }) => folded.value.includes(category)).length)

function turn(key: string): void {
  folded.value = folded.value.includes(key) ? folded.value.filter((each) => each !== key) : [...folded.value, key]
}
</script>

<template>
  <fieldset v-if="categories.length > 1" class="flex flex-wrap items-center gap-x-4 gap-y-1 pb-2 text-sm">
    <legend class="sr-only">Categories that are shown</legend>
    <label v-for="each in categories" :key="each.key" class="flex items-center gap-1.5">
      <input type="checkbox" :checked="!folded.includes(each.key)" @change="turn(each.key)" />
      {{ each.name }} <span class="text-muted">{{ each.count }}</span>
    </label>
    <span v-if="hidden > 0" class="text-muted" role="status"
      >{{ hidden }} {{ hidden === 1 ? 'piece' : 'pieces' }} of work folded; marks count all.</span
    >
  </fieldset>
</template>
