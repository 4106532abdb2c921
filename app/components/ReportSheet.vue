<script setup lang="ts">
import type { ReportDocument } from '~~/core/reports/document'

/** The report as the family gets it, drawn from the same tree as the PDF. */
defineProps<{ report: ReportDocument }>()
</script>

<template>
  <article
    tabindex="0"
    :lang="report.language"
    :aria-label="report.title"
    class="mx-auto max-w-[46rem] bg-white px-12 py-10 text-[#1E2733] shadow-sm ring-1 ring-rule [--teal:#0f5c63] [--edge:#8c8677]"
  >
    <template v-for="(block, at) in report.blocks" :key="at">
      <component
        :is="`h${block.level + 1}`"
        v-if="block.kind === 'heading'"
        :class="block.level === 1 ? 'text-3xl font-semibold' : 'mt-5 text-lg font-semibold text-[#0F5C63]'"
        >{{ block.text }}</component
      >
      <p
        v-else-if="block.kind === 'paragraph'"
        :class="
          block.voice === 'comment'
            ? 'mt-1.5 font-serif leading-relaxed'
            : block.voice === 'small'
              ? 'text-sm text-[#5A6472]'
              : ''
        "
      >
        {{ block.text }}
      </p>
      <p v-else-if="block.kind === 'facts'" class="text-sm">
        <span v-for="item in block.items" :key="item.label" class="mr-5"
          ><span class="text-[#5A6472]">{{ item.label }}</span> <b class="font-semibold">{{ item.value }}</b></span
        >
      </p>
      <table v-else-if="block.kind === 'table'" class="mt-1.5 w-full text-sm">
        <caption class="sr-only">
          {{
            block.caption
          }}
        </caption>
        <thead>
          <tr class="border-b border-[#CFC8BA] text-xs text-[#5A6472]">
            <th
              v-for="column in block.columns"
              :key="column.title"
              scope="col"
              :style="{ width: `${column.share * 100}%` }"
            >
              {{ column.title }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, rowAt) in block.rows" :key="rowAt" class="border-b border-[#CFC8BA]">
            <template v-for="(cell, cellAt) in row" :key="cellAt">
              <component
                :is="cellAt === 0 ? 'th' : 'td'"
                :scope="cellAt === 0 ? 'row' : undefined"
                class="py-1 font-normal"
                ><InkStrokes v-if="cell.strokes" v-bind="cell.strokes" class="mr-2" />{{ cell.text }}</component
              >
            </template>
          </tr>
        </tbody>
      </table>
      <div v-else-if="block.kind === 'lines'">
        <p class="text-sm text-[#5A6472]">{{ block.label }}</p>
        <hr v-for="line in block.count" :key="line" class="mt-7 border-[#CFC8BA]" />
      </div>
      <div v-else class="mt-10 flex gap-8">
        <p
          v-for="label in block.labels"
          :key="label"
          class="flex-1 border-t border-[#CFC8BA] pt-1 text-sm text-[#5A6472]"
        >
          {{ label }}
        </p>
      </div>
    </template>
    <p class="mt-8 text-xs text-[#5A6472]">{{ report.foot }}</p>
  </article>
</template>
