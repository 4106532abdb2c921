<script setup lang="ts" generic="Value extends string | number">
import { roundHalfUp } from '~~/core/marks/rounding'
import type { ByGrade } from '~~/core/people/byGrade'
import { readGrades, writeGrades } from '~~/core/people/gradeRange'

/** What is otherwise in some grades: another scale, or another number of characters. */
const props = defineProps<{
  /** "Marks on another scale". */
  what: string
  /** What is seen of it, where that is not plain from where it stands. */
  short?: string
  rules: ByGrade<Value>
  /** What holds in all other grades. */
  otherwise: Value
  /** What can be chosen; a number is typed where nothing is given. */
  choices?: readonly { readonly key: string; readonly name: string }[]
}>()
const emit = defineEmits<{ write: [rules: { grades: { from: number; to: number }; is: Value }[]] }>()
const wrong = ref(false)
const kept = computed(() => props.rules.map(({ grades, is }) => ({ grades: { ...grades }, is })))

function add(): void {
  const last = props.rules.at(-1)?.grades.to ?? 0
  const grade = Math.min(last + 1, 13)
  emit('write', [...kept.value, { grades: { from: grade, to: grade }, is: props.otherwise }])
}

function changeGrades(at: number, written: string): void {
  const grades = readGrades(written)
  wrong.value = !grades
  if (grades)
    emit(
      'write',
      kept.value.map((rule, nth) => (nth === at ? { ...rule, grades: { ...grades } } : rule)),
    )
}

function changeValue(at: number, written: string): void {
  const is = (props.choices ? written : roundHalfUp(Number(written)) || 0) as Value
  emit(
    'write',
    kept.value.map((rule, nth) => (nth === at ? { ...rule, is } : rule)),
  )
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
    <span v-for="(rule, at) in rules" :key="at" class="flex items-center gap-2">
      <span class="text-muted">{{ short ? `${short} in grades` : 'in grades' }}</span>
      <input
        v-stands.asked="writeGrades(rule.grades)"
        class="field w-16"
        :aria-label="`${what}: grades`"
        @change="changeGrades(at, valueOf($event))"
      />
      <select
        v-if="choices"
        class="field"
        :aria-label="`${what} in grades ${writeGrades(rule.grades)}`"
        :value="rule.is"
        @change="changeValue(at, valueOf($event))"
      >
        <option v-for="each in choices" :key="each.key" :value="each.key">{{ each.name }}</option>
      </select>
      <input
        v-else
        v-stands.asked="rule.is"
        class="field w-20 tabular-nums"
        inputmode="numeric"
        :aria-label="`${what} in grades ${writeGrades(rule.grades)}`"
        @change="changeValue(at, valueOf($event))"
      />
      <button
        type="button"
        class="link"
        @click="
          emit(
            'write',
            kept.filter((_, nth) => nth !== at),
          )
        "
      >
        take away <span class="sr-only">{{ what }} in grades {{ writeGrades(rule.grades) }}</span>
      </button>
    </span>
    <button v-if="!choices || choices.length > 1" type="button" class="link" @click="add">
      {{ short ? `${short} otherwise in some grades` : 'otherwise in some grades' }}
      <span class="sr-only">: {{ what }}</span>
    </button>
    <p v-if="wrong" class="needs w-full" role="alert">Write grades as 4-6 or 5.</p>
  </div>
</template>
