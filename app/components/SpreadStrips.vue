<script setup lang="ts">
import { percentText, roundHalfUp } from '~~/core/marks/rounding'
import { scaleLinear } from 'd3-scale'
import type { Spread } from '~~/core/record/classSpread'

/** How a class lies, a strip for each: thin from the lowest to the highest, thick in the middle half, the middle. */
defineProps<{ spreads: readonly Spread[]; title: string; what: string }>()
const [width, height] = [220, 16]
const across = scaleLinear()
  .domain([0, 100])
  .range([4, width - 4])
  .clamp(true)
const figure = (percent: number): string => percentText(percent)
</script>

<template>
  <section :aria-label="title" class="grid content-start gap-2">
    <h2 class="text-lg font-semibold">{{ title }}</h2>
    <PlainTable>
      <template #heads>
        <th scope="col" class="py-1">{{ what }}</th>
        <th scope="col" class="w-56 font-normal" aria-hidden="true">
          <span class="flex justify-between px-1"><span>0</span><span>50</span><span>100 %</span></span>
        </th>
        <th scope="col" class="px-2 text-right">Middle</th>
        <th scope="col" class="px-2 text-right">Middle half</th>
        <th scope="col" class="px-2 text-right">Lowest</th>
        <th scope="col" class="pl-2 text-right">Results</th>
      </template>
      <tr v-for="each in spreads" :key="each.key" class="border-b border-rule">
        <th scope="row" class="py-1 pr-2 font-normal">{{ each.name }}</th>
        <td aria-hidden="true">
          <svg :viewBox="`0 0 ${width} ${height}`" :width="width" :height="height">
            <line :x1="across(50)" :x2="across(50)" y1="0" :y2="height" class="stroke-rule" />
            <line :x1="across(each.lowest)" :x2="across(each.highest)" y1="8" y2="8" class="stroke-edge" />
            <line :x1="across(each.low)" :x2="across(each.high)" y1="8" y2="8" class="stroke-teal" stroke-width="5" />
            <line
              :x1="across(each.middle)"
              :x2="across(each.middle)"
              y1="1"
              y2="15"
              class="stroke-ink"
              stroke-width="2"
            />
          </svg>
        </td>
        <td class="px-2 text-right font-semibold">{{ figure(each.middle) }}</td>
        <td class="px-2 text-right whitespace-nowrap">{{ roundHalfUp(each.low) }}–{{ figure(each.high) }}</td>
        <td class="px-2 text-right">{{ figure(each.lowest) }}</td>
        <td class="pl-2 text-right">{{ each.count }}</td>
      </tr>
    </PlainTable>
  </section>
</template>
