<script setup lang="ts">
import { percentText } from '~~/core/marks/rounding'
import { scaleLinear, scalePoint } from 'd3-scale'

/** Percentages in the order of time, with what they are read against; the figures are in a table behind it. */
const props = defineProps<{
  name: string
  points: readonly { key: string; title: string; when: string; percent: number; shown: string }[]
  /** Per cent from which a mark is a pass; drawn where it is given. */
  passLine?: number | null
  /** What the lines across stand for, from the top or the foot; the per cent where nothing is said. */
  ticks?: readonly { percent: number; label: string }[]
  /** The middle of the class, by a point's key; drawn where it is asked for. */
  middles?: ReadonlyMap<string, number>
}>()
const [width, height] = [420, 132]
const room = { left: 42, right: 8, top: 10, foot: 18 }

const across = computed(() =>
  scalePoint<string>()
    .domain(props.points.map(({ key }) => key))
    .range([room.left, width - room.right])
    .padding(0.5),
)
const up = scaleLinear()
  .domain([0, 100])
  .range([height - room.foot, room.top])
  .clamp(true)
const places = computed(() =>
  props.points.map((point) => ({
    ...point,
    x: across.value(point.key) ?? 0,
    y: up(point.percent),
    middle: props.middles?.get(point.key),
  })),
)
const lines = computed(() => props.ticks ?? [0, 50, 100].map((percent) => ({ percent, label: `${percent} %` })))
const path = computed(() => places.value.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x},${y}`).join(''))
/** What the axis says: when the first was, and the last. */
const ends = computed(() => {
  const [first, last] = [props.points[0], props.points.at(-1)]
  return [
    ...(first ? [{ x: room.left, anchor: 'start', when: first.when } as const] : []),
    ...(last && last !== first ? [{ x: width, anchor: 'end', when: last.when } as const] : []),
  ]
})
const told = computed(() => {
  const [first, last] = [props.points[0], props.points.at(-1)]
  if (!first || !last) return props.name
  const range = `from ${first.shown} to ${last.shown}`
  return `${props.name}: ${props.points.length} in the order of time, ${range}. The table has each.`
})
const table = computed(() => ({
  heads: ['What', 'When', 'Reached', ...(props.middles ? ['Middle of the class'] : [])],
  rows: places.value.map(({ title, when, shown, middle }) => [
    ...[title, when, shown],
    ...(props.middles ? [middle === undefined ? '' : percentText(middle)] : []),
  ]),
}))
</script>

<template>
  <figure v-if="points.length > 0" class="grid gap-1">
    <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="told" class="max-w-160">
      <g v-for="tick in lines" :key="tick.label">
        <line :x1="room.left - 4" :x2="width" :y1="up(tick.percent)" :y2="up(tick.percent)" class="stroke-rule" />
        <text :x="room.left - 8" :y="up(tick.percent) + 3" text-anchor="end" class="fill-muted text-[10px]">
          {{ tick.label }}
        </text>
      </g>
      <g v-if="passLine !== null && passLine !== undefined">
        <line
          :x1="room.left"
          :x2="width"
          :y1="up(passLine)"
          :y2="up(passLine)"
          class="stroke-muted"
          stroke-dasharray="2 4"
        />
        <text :x="width" :y="up(passLine) - 5" text-anchor="end" class="fill-muted text-[10px]">pass</text>
      </g>
      <path :d="path" class="fill-none stroke-teal" stroke-width="1.2" />
      <g v-for="place in places" :key="place.key">
        <line
          v-if="place.middle !== undefined"
          :x1="place.x - 7"
          :x2="place.x + 7"
          :y1="up(place.middle)"
          :y2="up(place.middle)"
          class="stroke-ink"
          stroke-width="1.5"
        />
        <circle :cx="place.x" :cy="place.y" r="3.6" class="fill-teal" />
      </g>
      <text
        v-for="end in ends"
        :key="end.anchor"
        :x="end.x"
        :y="height - 4"
        :text-anchor="end.anchor"
        class="fill-muted text-[10px]"
      >
        {{ end.when }}
      </text>
    </svg>
    <figcaption v-if="middles" class="text-xs text-muted">The short strokes are the middle of the class.</figcaption>
    <ChartTable :name="name" v-bind="table" />
  </figure>
</template>
