<script setup lang="ts">
import type { FileAnswer } from '~~/contracts/answers'
import { countPlan } from '~~/core/exchange/gradebook/planImport'
import { listOf } from '~~/core/narrative/listOf'
import { useSaving } from '~/stores/saving'

/** A gradebook file that was brought: how it is read, and what taking it in would change. */
const props = defineProps<{
  file: FileAnswer
  /** Where it goes, in words. */
  into: string
}>()
const emit = defineEmits<{ done: [summary: string]; leave: [] }>()
const saving = useSaving()
const { busy, problem, sheet, mapping, plan, followed, ...reading } = useFileReading(props.file)

const toTake = computed(() => {
  if (!plan.value) return 0
  const counts = countPlan(plan.value.plan)
  return counts.new + counts.changed + counts.workChanged
})

const pressWords = computed(() => {
  if (!plan.value) return 'Looking at it …'
  if (toTake.value > 0) return `Take in ${toTake.value} ${toTake.value === 1 ? 'result' : 'results'}`
  return plan.value.plan.doubtful.length > 0 ? 'Say first who they are' : 'Nothing in it is new'
})

function headingAt(column: number): string {
  const row = sheet.value.sample.find(({ number }) => number === mapping.value.headingRow)
  return `“${row?.cells[column] || `column ${column + 1}`}”`
}

async function takeIn(): Promise<void> {
  const taken = await reading.takeIn()
  if (!taken) return
  saving.did(taken.event)
  emit('done', taken.summary)
}
</script>

<template>
  <div class="grid grid-cols-1 gap-4">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <div class="flex flex-wrap items-start gap-3">
      <div class="min-w-60 flex-1">
        <h1 class="truncate text-xl font-semibold">{{ file.name }}</h1>
        <p class="text-sm text-muted">
          Into {{ into }}. {{ sheet.rows }} rows,
          {{ mapping.shape === 'wide' ? 'a row per student' : 'a row per result'
          }}<template v-if="sheet.remembered">, read as you corrected it last time</template
          ><template v-if="sheet.turned">; the children stand side by side in it, so it was turned</template>
        </p>
      </div>
      <button type="button" class="press" :disabled="busy || !plan || toTake === 0" @click="takeIn">
        {{ pressWords }}
      </button>
      <button type="button" class="quiet" @click="emit('leave')">Leave the file</button>
    </div>
    <label v-if="file.sheets.length > 1" class="flex items-center gap-2"
      >Sheet
      <select class="field" :value="mapping.sheet" @change="reading.chooseSheet(valueOf($event))">
        <option v-for="each in file.sheets" :key="each.mapping.sheet" :value="each.mapping.sheet">
          {{ each.mapping.sheet }} ({{ each.rows }} rows)
        </option>
      </select></label
    >
    <ImportSummary
      v-if="plan"
      :plan="plan.plan"
      :signs="mapping.signs"
      @answer="reading.whoIs"
      @all="reading.allAreWhoTheySeem"
      @means="reading.means"
    />
    <p>This is how the file was read. Correct what is wrong above a column or before a row.</p>
    <p v-if="followed" role="status" class="border-l-2 border-teal bg-teal-wash px-3 py-2">
      {{ listOf(followed.others.map(headingAt)) }} went along.
      <button type="button" class="link" @click="reading.onlyThisOne">Only {{ headingAt(followed.column) }}</button>
    </p>
    <GradebookMapping :mapping="mapping" :sheet="sheet" @correct="reading.correct" />
    <div class="flex flex-wrap gap-4 text-sm">
      <label class="flex items-center gap-2"
        >Where the file names none: category <input v-model="mapping.category" class="field w-36"
      /></label>
      <label class="flex items-center gap-2"
        >out of <input v-model.number="mapping.outOf" type="number" min="1" class="field w-20"
      /></label>
      <label class="flex items-center gap-2"
        >Dates
        <select v-model="mapping.dates" class="field">
          <option>day first</option>
          <option>month first</option>
        </select></label
      >
    </div>
  </div>
</template>
