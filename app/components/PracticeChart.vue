<script setup lang="ts">
import { roundHalfUp } from '~~/core/marks/rounding'
import { shortDay } from '~~/core/reports/longDate'
import { scaleBand, scaleLinear } from 'd3-scale'
import type { ProgramPractice } from '~~/core/record/practice'

/** Minutes by week as bars, with a stroke where so many were asked for; the figures are in a table behind it. */
const props = defineProps<{ weeks: ProgramPractice['weeks']; name: string }>()
const [width, height, foot] = [256, 84, 14]

const across = computed(() =>
  scaleBand()
    .domain(props.weeks.map(({ week }) => week))
    .range([26, width])
    .padding(0.25),
)
const up = computed(() => {
  const most = Math.max(1, ...props.weeks.map(({ minutes, asked }) => Math.max(minutes, asked ?? 0)))
  return scaleLinear()
    .domain([0, most])
    .nice(2)
    .range([height - foot, 6])
})
const bars = computed(() =>
  props.weeks.map(({ week, minutes, asked }) => ({
    week,
    x: across.value(week) ?? 0,
    y: up.value(minutes),
    asked: asked === null ? null : up.value(asked),
  })),
)
const ticks = computed(() => up.value.ticks(2))
const mean = computed(() =>
  roundHalfUp(props.weeks.reduce((sum, { minutes }) => sum + minutes, 0) / Math.max(1, props.weeks.length)),
)
</script>

<template>
  <figure class="grid gap-1">
    <svg
      :viewBox="`0 0 ${width} ${height}`"
      role="img"
      :aria-label="`${name}: ${mean} at the mean. The table has each.`"
    >
      <g v-for="tick in ticks" :key="tick">
        <line :x1="24" :x2="width" :y1="up(tick)" :y2="up(tick)" class="stroke-rule" />
        <text :x="20" :y="up(tick) + 3" text-anchor="end" class="fill-muted text-[9px]">{{ tick }}</text>
      </g>
      <g v-for="bar in bars" :key="bar.week">
        <rect :x="bar.x" :y="bar.y" :width="across.bandwidth()" :height="height - foot - bar.y" class="fill-teal" />
        <line
          v-if="bar.asked !== null"
          :x1="bar.x - 2"
          :x2="bar.x + across.bandwidth() + 2"
          :y1="bar.asked"
          :y2="bar.asked"
          class="stroke-ink"
          stroke-width="1.5"
        />
      </g>
      <text v-if="weeks[0]" :x="26" :y="height - 2" class="fill-muted text-[9px]">{{ shortDay(weeks[0].week) }}</text>
      <text v-if="weeks.length > 1" :x="width" :y="height - 2" text-anchor="end" class="fill-muted text-[9px]">
        {{ shortDay(weeks.at(-1)?.week ?? '') }}
      </text>
    </svg>
    <figcaption class="text-xs text-muted">{{ mean }} minutes a week, the mean of {{ weeks.length }}</figcaption>
    <ChartTable
      :name="name"
      :heads="['Week of', 'Minutes', 'Asked for']"
      :rows="weeks.map(({ week, minutes, asked }) => [shortDay(week), minutes, asked ?? '–'])"
    />
  </figure>
</template>
