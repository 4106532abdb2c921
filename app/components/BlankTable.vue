<script setup lang="ts">
import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import type { RunAnswer } from '~~/contracts/answers'
import {
  blankTableLimits,
  blankTableProblem,
  composeBlankTable,
  leftForNames,
  type BlankTable,
} from '~~/core/reports/blankTable'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** The class's list with empty columns, to print and pencil in. What it looked like last is kept on this device. */
const classRecord = useClassRecord()
const settings = useSettings()
const { busy, problem, attempt } = useAttempt()
const isOpen = ref(false)
const kept = useLocalStorage<Omit<BlankTable, 'names'>>('facunda.blankTable', {
  title: '',
  columns: ['Read aloud', 'Retold', 'Asked'].map((title) => ({ title, width: 25 })),
  landscape: false,
  rowHeight: 8,
})
const table = computed((): BlankTable => ({ ...kept.value, names: settings.own.names }))
const paper = computed(() => classRecord.record?.layout.paper ?? 'A4')
const tooWide = computed(() => blankTableProblem(table.value, paper.value))
const sheet = computed(() => {
  const { record, answer } = classRecord
  return isOpen.value && record && answer && tooWide.value === null
    ? composeBlankTable(record, table.value, answer.today)
    : null
})
/** The run that is being set; fetched as soon as it is ready. */
const run = shallowRef<RunAnswer | null>(null)

function print(): Promise<void> {
  return attempt(async () => {
    run.value = await askServer<RunAnswer>('POST', `${classRecord.place}/tables`, table.value)
  })
}

useIntervalFn(() => {
  if (run.value !== null) void attempt(() => askAfter(run.value?.id ?? ''))
}, 400)

async function askAfter(id: string): Promise<void> {
  const { state, message } = await askServer<RunAnswer>('GET', `/api/runs/${id}`)
  if (state === 'waiting' || state === 'setting') return
  run.value = null
  if (state !== 'finished') throw new Error(message ?? 'The table was stopped.')
  Object.assign(document.createElement('a'), { href: `/api/runs/${id}/pdf`, download: '' }).click()
}

const { columns: most, width, rowHeight } = blankTableLimits
function addColumn(): void {
  kept.value = { ...kept.value, columns: [...kept.value.columns, { title: '', width: 25 }] }
}
function dropColumn(at: number): void {
  kept.value = { ...kept.value, columns: kept.value.columns.filter((_, nth) => nth !== at) }
}
</script>

<template>
  <details class="border-t border-rule pt-3" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="font-semibold">Print a list to write into</summary>
    <div v-if="isOpen" class="mt-2 grid grid-cols-1 gap-4">
      <form class="grid max-w-120 content-start gap-3 text-sm" data-keeps @submit.prevent="print">
        <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
        <label class="grid gap-1"
          >What it is for
          <input v-model="kept.title" maxlength="80" class="field" placeholder="Reading circle, week 12" />
        </label>
        <fieldset class="grid gap-1.5">
          <legend class="mb-1">Columns beside the names, in the order of the paper</legend>
          <div v-for="(column, at) in kept.columns" :key="at" class="flex flex-wrap items-center gap-2">
            <input
              v-model="column.title"
              :aria-label="`Column ${at + 1}: heading`"
              maxlength="60"
              class="field min-w-32 flex-1"
            />
            <input
              v-model.number="column.width"
              type="number"
              :min="width.least"
              :max="width.most"
              required
              :aria-label="`Column ${at + 1}: millimetres wide`"
              class="field w-18"
            />
            mm
            <button type="button" class="link" :aria-label="`Take column ${at + 1} away`" @click="dropColumn(at)">
              Take away
            </button>
          </div>
        </fieldset>
        <p>
          <button type="button" class="quiet" :disabled="kept.columns.length >= most" @click="addColumn">
            Add a column
          </button>
        </p>
        <label class="flex flex-wrap items-center gap-2"
          >Each row
          <input
            v-model.number="kept.rowHeight"
            type="number"
            :min="rowHeight.least"
            :max="rowHeight.most"
            required
            class="field w-18"
          />
          mm high</label
        >
        <label class="flex items-center gap-2"
          ><input v-model="kept.landscape" type="checkbox" /> Paper on its long side</label
        >
        <p v-if="tooWide" class="needs" role="status">{{ tooWide }}</p>
        <p v-else class="text-muted">{{ leftForNames(table, paper) }} mm are left for the names, on {{ paper }}.</p>
        <p>
          <button type="submit" class="press" :disabled="busy || run !== null || tooWide !== null">
            {{ run ? 'Being set …' : 'Make the PDF' }}
          </button>
        </p>
      </form>
      <div v-if="sheet" class="min-w-0 overflow-x-auto"><ReportSheet :report="sheet" /></div>
    </div>
  </details>
</template>
