<script setup lang="ts">
import type { SortedFile } from '~/composables/sortFile'
import { useClassRecord } from '~/stores/classRecord'

/** Files that were dropped together: what each is, told by what is in it, and the way to the door it belongs to. */
const { files, may } = defineProps<{ files: readonly File[]; may: boolean }>()
const emit = defineEmits<{ gradebook: [file: File]; list: [text: string]; done: [] }>()
const classRecord = useClassRecord()

const sorted = shallowRef<SortedFile[]>([])
const looked = ref(new Set<string>())
const nameOf = ({ file, sheet }: SortedFile): string => (sheet === '' ? file.name : `${file.name}, ${sheet}`)

watch(
  () => files,
  async (now) => {
    looked.value = new Set()
    const each: SortedFile[] = []
    const { record } = classRecord
    if (!record) return
    for (const file of now) each.push(...(await sortFile(file, record)))
    if (now === files) sorted.value = each
  },
  { immediate: true },
)

function look(one: SortedFile): void {
  looked.value = new Set([...looked.value, nameOf(one)])
  if (one.door === 'list') emit('list', one.text)
  else emit('gradebook', one.file)
}
</script>

<template>
  <section aria-label="Files that were brought" class="grid gap-2 border border-edge p-3">
    <p class="flex">
      <b class="flex-1 font-semibold">What you brought. Nothing has changed yet.</b>
      <button type="button" class="link text-sm" @click="emit('done')">Put these away</button>
    </p>
    <ul>
      <li
        v-for="each in sorted"
        :key="nameOf(each)"
        class="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-rule py-1.5"
      >
        <span class="min-w-40 flex-1">{{ nameOf(each) }}</span>
        <span v-if="each.door === 'none'" class="text-needs">{{ each.text }}</span>
        <template v-else>
          <span class="text-sm text-muted"
            >{{ each.door === 'list' ? 'a list of the class' : 'a gradebook' }}, {{ each.rows }} rows{{
              looked.has(nameOf(each)) ? ', looked at' : ''
            }}</span
          >
          <button
            v-if="each.door === 'list' || may"
            type="button"
            class="quiet"
            :aria-label="`Look at ${nameOf(each)}`"
            @click="look(each)"
          >
            Look at it
          </button>
          <span v-else class="text-sm text-muted">not yours to bring here</span>
        </template>
      </li>
    </ul>
  </section>
</template>
