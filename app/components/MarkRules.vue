<script setup lang="ts">
import { dequal } from 'dequal'
import type { SchoolAndReport } from '~~/contracts/ownSetup'
import { marksByRules } from '~~/core/record/marksByRules'
import { useClassRecord } from '~/stores/classRecord'

/** How marks are worked out; what another rule would do to the class in view is said before it is kept. */
const props = defineProps<{ rules: SchoolAndReport['markRules']; disabled: boolean }>()
const emit = defineEmits<{ write: [rules: SchoolAndReport['markRules']] }>()
const classRecord = useClassRecord()
onMounted(() => (classRecord.record ? undefined : classRecord.load()))
const wanted = ref({ ...props.rules })
watch(
  () => props.rules,
  (now) => (wanted.value = { ...now }),
)
const isChanged = computed(() => !dequal(wanted.value, props.rules))
const effect = computed(() => {
  const { index } = classRecord
  return index && isChanged.value ? marksByRules(index, wanted.value) : null
})
const choices = [
  [
    'missing',
    'Missing work',
    [
      ['counts as zero', 'counts as zero'],
      ['is left out', 'is left out'],
    ],
  ],
  [
    'method',
    'Marks add up',
    [
      ['by category', 'by categories and their weights'],
      ['by points', 'by points'],
    ],
  ],
  [
    'letterFrom',
    'The level is read off',
    [
      ['unrounded', 'the exact mark'],
      ['rounded', 'the rounded mark'],
    ],
  ],
] as const

function change(part: object): void {
  wanted.value = { ...wanted.value, ...part }
}
</script>

<template>
  <div>
    <h3 class="font-semibold">How marks are worked out</h3>
    <p class="mt-1 text-sm text-muted">Proposals are worked out anew by what is chosen here; what is settled stays.</p>
    <div class="mt-2 flex flex-wrap gap-3 text-sm">
      <label v-for="[key, title, answers] in choices" :key="key" class="grid gap-1"
        >{{ title }}
        <select class="field" :value="wanted[key]" @change="change({ [key]: valueOf($event) })">
          <option v-for="[value, words] in answers" :key="value" :value="value">{{ words }}</option>
        </select></label
      >
      <label class="grid gap-1"
        >Decimals shown
        <input
          class="field w-20"
          type="number"
          min="0"
          max="3"
          :value="wanted.decimals"
          @change="change({ decimals: Number(valueOf($event)) })"
      /></label>
    </div>
    <div v-if="isChanged" class="mt-3 grid max-w-160 gap-2">
      <p class="border-l-2 border-teal bg-teal-wash px-3 py-2 text-sm" role="status">
        <template v-if="effect">
          In {{ classRecord.record?.classRoom.name }}, {{ effect.others }} of {{ effect.marks }} proposed marks would be
          others.
        </template>
        <template v-else>There is no class in view to count in.</template>
      </p>
      <p class="flex gap-3">
        <button type="button" class="press text-sm" :disabled="disabled" @click="emit('write', wanted)">
          Keep these rules
        </button>
        <button type="button" class="link text-sm" @click="wanted = { ...rules }">As it was</button>
      </p>
    </div>
  </div>
</template>
