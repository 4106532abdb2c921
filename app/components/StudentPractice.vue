<script setup lang="ts">
import { practiceByProgram } from '~~/core/record/practice'

/** What one child practised in programs of its own: a chart of the weeks with its table, goals, scores. */
const shown = useShown()
const programs = computed(() => practiceByProgram(shown.value.index?.practiceOf(shown.value.student?.id ?? '') ?? []))
</script>

<template>
  <section v-for="{ program, weeks, goals, scores } in programs" :key="program" class="grid gap-2 text-sm">
    <h3 class="small-head">Practice: {{ program }}</h3>
    <PracticeChart v-if="weeks.length > 0" :weeks="weeks" :name="`Minutes a week in ${program}`" />
    <ul v-if="goals.length > 0">
      <li v-for="{ name, amount, beside } in goals" :key="name" class="flex items-center gap-2 py-0.5">
        <span class="min-w-0 flex-1">{{ name }}</span>
        <span aria-hidden="true" class="h-1.5 w-16 border border-edge"
          ><span
            class="block h-full bg-teal"
            :style="{ width: `${Math.min(100, ((amount ?? 0) / (beside || 1)) * 100)}%` }"
          ></span
        ></span>
        <span class="w-16 text-right">{{ amount }} of {{ beside }}</span>
      </li>
    </ul>
    <ul v-if="scores.length > 0">
      <li v-for="{ name, amount, beside } in scores" :key="name" class="flex gap-2 py-0.5">
        <span class="flex-1">{{ name }}</span>
        <span
          >{{ beside ?? '–' }} <span class="sr-only">before, then</span><span aria-hidden="true">→</span>
          {{ amount ?? 'still to come' }}</span
        >
      </li>
    </ul>
  </section>
</template>
