<script setup lang="ts">
import { categoryShares } from '~~/core/marks/categoryShares'
import { percentText } from '~~/core/marks/rounding'
import type { CategoriesElsewhere } from '~~/contracts/categories'
import { categoryColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planCategoryList } from '~~/core/exchange/lists/planCategoryList'
import { readList } from '~~/core/exchange/lists/readList'
import type { Category } from '~~/core/marks/work'
import { categoryProblems } from '~~/core/record/categoryProblems'
import { marksUnder } from '~~/core/record/marksUnder'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSettings } from '~/stores/settings'

/** How the marks of a subject add up here: categories with weights, and what a change would do before it is kept. */
const props = defineProps<{ subject: string; may: boolean }>()
const classRecord = useClassRecord()
const saving = useSaving()
const settings = useSettings()
const { markShown } = useMarks()
const { busy, problem, attempt } = useAttempt()
const was = computed(() =>
  (classRecord.index?.categoriesOf(props.subject) ?? []).map(({ key, name, weight, isExam }) => ({
    key,
    name,
    weight,
    isExam,
  })),
)
const { seen, wanted, isChanged, takeStanding } = useOwnCopy<Category[]>(() => was.value)
const elsewhere = shallowRef<CategoriesElsewhere[] | null>(null)

const inUse = computed(() => {
  const counts = new Map<string, number>()
  for (const { category } of classRecord.index?.workOf(props.subject) ?? [])
    counts.set(category, (counts.get(category) ?? 0) + 1)
  return counts
})
const problems = computed(() => categoryProblems(wanted.value, inUse.value))
const changed = computed(() =>
  classRecord.index && isChanged.value && problems.value.length === 0
    ? marksUnder(classRecord.index, props.subject, wanted.value)
    : [],
)
const total = computed(() => wanted.value.reduce((sum, { weight }) => sum + (Number.isFinite(weight) ? weight : 0), 0))
const exam = computed(() => classRecord.index?.rulesOf(props.subject).exam ?? null)
const shares = computed(() => categoryShares(wanted.value, exam.value))

function nameOf(studentId: string): string {
  const student = classRecord.index?.student(studentId)
  return student ? settings.nameOf(student) : ''
}

function add(): void {
  wanted.value = [...wanted.value, { key: crypto.randomUUID(), name: '', weight: 1, isExam: false }]
}

function lookElsewhere(): Promise<void> {
  return attempt(async () => {
    const path = `${classRecord.place}/categories?subject=${encodeURIComponent(props.subject)}`
    elsewhere.value = await askServer<CategoriesElsewhere[]>('GET', path)
  })
}

/** Names that are here already keep their work; the others come new, and what work is in here stays. */
function copy({ categories }: CategoriesElsewhere): void {
  const here = new Map(wanted.value.map((each) => [each.name.toLowerCase(), each]))
  const taken = categories.map(({ name, weight, isExam }) => ({
    key: here.get(name.toLowerCase())?.key ?? crypto.randomUUID(),
    name,
    weight,
    isExam,
  }))
  const keys = new Set(taken.map(({ key }) => key))
  const used = was.value.filter(({ key }) => inUse.value.has(key) && !keys.has(key))
  wanted.value = [...taken, ...used.map((each) => ({ ...each, weight: 0 }))]
  elsewhere.value = null
}

/** A list changes what is wanted; it is kept, with its effect seen, as what is typed. */
function plan(text: string) {
  const list = readList(text, categoryColumns)
  const made = planCategoryList(list, wanted.value)
  const { added, changed: other, unchanged, refused } = made
  return {
    added: added.length,
    changed: other.length,
    unchanged,
    refused,
    unknown: list.unknown,
    notes: [],
    lines: [...added, ...other.map(({ row }) => row)].map(({ name, weight }) => `${name}: ${weight}`),
    take: () => {
      const now = new Map(other.map(({ row }) => [row.key, row]))
      wanted.value = [...wanted.value.map((each) => now.get(each.key) ?? each), ...added]
      return Promise.resolve()
    },
  }
}

function keep(): Promise<void> {
  return attempt(async () => {
    const body = { subject: props.subject, categories: wanted.value, was: seen.value }
    await saving.askFor('PUT', `${classRecord.place}/categories`, body)
    await classRecord.load()
    takeStanding()
  })
}
</script>

<template>
  <section class="grid max-w-160 gap-3 border-t border-rule pt-4" aria-labelledby="adds-up">
    <h2 id="adds-up" class="font-semibold">How marks add up</h2>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-if="wanted.length === 0" class="text-muted">
      There is no category yet{{
        may ? '. Add one, take those of another class, or let a gradebook file bring them' : ''
      }}.
    </p>
    <table v-else class="w-full">
      <thead>
        <tr class="border-b border-edge text-sm text-muted">
          <th scope="col" class="py-1">Category</th>
          <th scope="col" class="w-24">Weight</th>
          <th v-if="exam" scope="col" class="w-16">Exam</th>
          <th scope="col" class="w-20 text-right">Share</th>
          <th scope="col" class="w-24 text-right">Work</th>
          <td class="w-24"></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(each, at) in wanted" :key="each.key" class="border-b border-rule">
          <td class="py-1 pr-3">
            <input
              v-model="each.name"
              class="cell w-full"
              :disabled="!may"
              :aria-label="`Name of category ${at + 1}`"
            />
          </td>
          <td>
            <input
              v-model.number="each.weight"
              class="field w-20 text-right"
              type="number"
              min="0"
              step="any"
              :disabled="!may"
              :aria-label="`Weight of ${each.name || 'the new category'}`"
            />
          </td>
          <td v-if="exam">
            <input
              v-model="each.isExam"
              type="checkbox"
              :disabled="!may"
              :aria-label="`${each.name || 'The new category'} is the exam`"
            />
          </td>
          <td class="text-right tabular-nums">{{ total > 0 ? percentText((shares[at] ?? 0) * 100) : '—' }}</td>
          <td class="text-right tabular-nums">{{ inUse.get(each.key) ?? 0 }}</td>
          <td class="text-right">
            <button
              v-if="may && !inUse.has(each.key)"
              type="button"
              class="link text-sm"
              @click="wanted = wanted.filter((one) => one !== each)"
            >
              take away <span class="sr-only">{{ each.name }}</span>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="may" class="flex flex-wrap gap-x-4 gap-y-2">
      <button type="button" class="link text-sm" @click="add">Add a category</button>
      <button type="button" class="link text-sm" :disabled="busy" @click="lookElsewhere">
        Take those of another class
      </button>
    </div>
    <ul v-if="elsewhere" class="grid gap-1 text-sm" aria-label="How marks add up elsewhere">
      <li v-if="elsewhere.length === 0">No other class has categories yet.</li>
      <li v-for="(each, at) in elsewhere" :key="at">
        <button type="button" class="link text-left" @click="copy(each)">
          {{ each.className }} {{ each.year }}, {{ each.subject }}
        </button>
        <span class="text-muted"> {{ each.categories.map(({ name, weight }) => `${name} ${weight}`).join(', ') }}</span>
      </li>
    </ul>
    <p v-if="exam && wanted.length > 0" class="text-sm text-muted">
      An exam weighs {{ percentText(exam.weighs) }} of the mark.
      <template v-if="!wanted.some(({ isExam }) => isExam)">None of these is ticked as the exam.</template>
    </p>
    <ListImport
      v-if="may"
      title="A list of categories"
      :columns="titlesOf(categoryColumns)"
      :words="['category', 'categories']"
      :plan="plan"
    />
    <template v-if="may && isChanged">
      <div v-if="problems.length > 0" class="needs" role="alert">
        <ul>
          <li v-for="each in problems" :key="each">{{ each }}</li>
        </ul>
      </div>
      <div v-else class="border-l-2 border-teal bg-teal-wash px-3 py-2" role="status">
        <p v-if="changed.length === 0">No proposed mark changes by this.</p>
        <template v-else>
          <p>{{ changed.length }} of {{ classRecord.takers.length }} proposed marks change. What is settled stays.</p>
          <p class="text-sm">
            <span v-for="each in changed.slice(0, 6)" :key="each.studentId" class="mr-3 inline-block">
              {{ nameOf(each.studentId) }} {{ markShown(each.before, subject) }} →
              {{ markShown(each.after, subject) }}
            </span>
            <template v-if="changed.length > 6">and {{ changed.length - 6 }} more</template>
          </p>
        </template>
      </div>
      <p class="flex gap-3">
        <button type="button" class="press" :disabled="busy || problems.length > 0" @click="keep">Keep this</button>
        <button type="button" class="quiet" @click="takeStanding">As it was</button>
      </p>
    </template>
  </section>
</template>
