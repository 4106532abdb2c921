<script setup lang="ts">
import type { ReportDocument } from '~~/core/reports/document'
import { drawBlock } from '~/report/drawBlock'

/** The report as the family gets it, drawn from the same tree as the PDF. */
defineProps<{ report: ReportDocument }>()
</script>

<template>
  <article
    tabindex="0"
    :lang="report.language"
    :aria-label="report.title"
    class="mx-auto max-w-[46rem] bg-white px-5 py-6 text-[#1E2733] shadow-sm ring-1 ring-rule [--edge:#8c8677] [--teal:#0f5c63] sm:px-12 sm:py-10"
  >
    <component :is="drawBlock(block)" v-for="(block, at) in report.blocks" :key="at" />
    <p class="mt-8 text-xs text-[#5A6472]">{{ report.foot }}</p>
  </article>
</template>
