<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import type { RunAnswer } from '~~/contracts/answers'
import { composeReport } from '~~/core/reports/composeReport'
import { familyFacts } from '~~/core/reports/familyFacts'
import { ApiProblem, askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'

useHead({ title: 'Send · Facunda' })
const classRecord = useClassRecord()
const { busy, problem, attempt } = useAttempt()

const report = computed(() => {
  const { index, student, answer } = classRecord
  return index && student && answer
    ? composeReport(familyFacts(index, student), index.record.layout, answer.today)
    : null
})
const total = computed(() => classRecord.record?.students.length ?? 0)
const missing = computed(() => {
  const { settle, write } = classRecord.total
  const parts = [
    [settle.of - settle.done, 'marks, levels or scores are not settled'],
    [write.of - write.done, 'comment boxes are empty'],
  ] as const
  return parts.filter(([count]) => count > 0).map(([count, what]) => `${count} ${what}`)
})
const active = computed(() => classRecord.runs.find((run) => run.state === 'waiting' || run.state === 'setting'))

function make(students: string[]): Promise<void> {
  return attempt(async () => {
    const run = await askServer<RunAnswer>('POST', `${classRecord.place}/runs`, { students })
    classRecord.runs = [run, ...classRecord.runs]
  })
}

function stop(run: RunAnswer): Promise<void> {
  return attempt(async () => put(await askServer<RunAnswer>('POST', `/api/runs/${run.id}/stop`)))
}

function put(run: RunAnswer): void {
  classRecord.runs = classRecord.runs.map((each) => (each.id === run.id ? run : each))
}

// A run goes on without the page; while it is looked at, it is asked after.
useIntervalFn(async () => {
  const run = active.value
  if (!run) return
  try {
    put(await askServer<RunAnswer>('GET', `/api/runs/${run.id}`))
  } catch (error) {
    if (!(error instanceof ApiProblem) || !error.passing) problem.value = String(error)
  }
}, 400)

const stateWords: Record<RunAnswer['state'], string> = {
  waiting: 'waiting for the press',
  setting: 'being set',
  finished: 'ready',
  stopped: 'stopped',
  failed: 'failed',
}
const pagesOf = (run: RunAnswer): number => Object.values(run.pages ?? {}).reduce((sum, pages) => sum + pages, 0)
</script>

<template>
  <div class="middle:p-5">
    <h1 class="sr-only">Send</h1>
    <ReportSheet v-if="report" :report="report" />
    <MarginPanel title="Report cards">
      <div class="grid gap-4 text-sm">
        <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
        <div v-if="missing.length > 0" class="needs">
          <p class="font-semibold">Still missing in this class</p>
          <p v-for="each in missing" :key="each">{{ each }}</p>
        </div>
        <template v-if="classRecord.may.reports">
          <button type="button" class="press justify-center" :disabled="busy || active !== undefined" @click="make([])">
            Make {{ total }} report cards
          </button>
          <button
            v-if="classRecord.student"
            type="button"
            class="quiet justify-center"
            :disabled="busy || active !== undefined"
            @click="make([classRecord.student.id])"
          >
            Make only {{ classRecord.student.usedName }}’s
          </button>
        </template>
        <p v-else class="text-muted">
          The class teacher and the coordinator make the report cards. Here you see what yours will look like.
        </p>
        <div v-if="active" role="status">
          <p>{{ active.done }} of {{ active.students }} set, {{ stateWords[active.state] }}</p>
          <div
            role="progressbar"
            aria-label="Reports set"
            aria-valuemin="0"
            :aria-valuenow="active.done"
            :aria-valuemax="active.students"
            class="my-1.5 h-2 border border-edge"
          >
            <div class="h-full bg-teal" :style="{ width: `${(active.done / active.students) * 100}%` }" />
          </div>
          <button type="button" class="link" @click="stop(active)">Stop this run</button>
        </div>
        <ul aria-label="Runs">
          <li v-for="run in classRecord.runs" :key="run.id" class="border-b border-rule py-2">
            <p>
              {{ run.students }} {{ run.students === 1 ? 'report card' : 'report cards' }}, {{ stateWords[run.state] }}
            </p>
            <p class="text-muted">
              {{ whenText(run.askedAt)
              }}<template v-if="run.pages">, {{ pagesOf(run) }} {{ pagesOf(run) === 1 ? 'page' : 'pages' }}</template>
            </p>
            <p v-if="run.message" class="text-needs">{{ run.message }}</p>
            <a v-if="run.state === 'finished'" class="link" :href="`/api/runs/${run.id}/pdf`" download
              >Download the PDF</a
            >
          </li>
        </ul>
      </div>
    </MarginPanel>
  </div>
</template>
