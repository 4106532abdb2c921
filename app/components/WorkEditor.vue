<script setup lang="ts">
import { workKept, type WorkKept } from '~~/contracts/results'
import { usualWeight } from '~~/core/marks/usualWeight'
import { nameKey } from '~~/core/people/names'
import { marksUnder } from '~~/core/record/marksUnder'
import { useClassRecord } from '~/stores/classRecord'

/** A piece of work that is added, changed or taken away; what a change would do to marks is told before it is kept. */
const props = defineProps<{ subject: string; piece: string | null }>()
/** With the piece of work that was added or changed. */
const emit = defineEmits<{ done: [id?: string] }>()
const classRecord = useClassRecord()
const { markShown } = useMarks()
const { busy, problem, attempt } = useAttempt()
const categories = computed(() => classRecord.index?.categoriesOf(props.subject) ?? [])
const standing = computed(() => classRecord.index?.workOf(props.subject).find((each) => each.id === props.piece))
const was = computed((): WorkKept | null => {
  if (!standing.value) return null
  const { id: _id, title, category, date, outOf, weight, counts } = standing.value
  return { title, category, date, outOf, weight, counts }
})
const first: WorkKept = {
  title: '',
  category: categories.value[0]?.key ?? 'Classwork',
  date: classRecord.answer?.today ?? null,
  outOf: 20,
  weight: 1,
  counts: true,
}
const { seen, wanted, isChanged } = useOwnCopy(() => was.value ?? first)
/** The category by the name that is shown. */
const categoryName = computed({
  get: () => categories.value.find(({ key }) => key === wanted.value.category)?.name ?? wanted.value.category,
  set: (name) => {
    wanted.value.category = categories.value.find((each) => nameKey(each.name) === nameKey(name))?.key ?? name
  },
})
const given = computed(() => classRecord.record?.results.filter(({ workId }) => workId === props.piece).length ?? 0)

/** Whose proposals would be others: under the change, or without the work. */
function changedMarks(work: WorkKept | null) {
  const { index } = classRecord
  if (!index || !standing.value) return []
  const { id } = standing.value
  const others = index.workOf(props.subject)
  const pieces = work
    ? others.map((each) => (each.id === id ? { ...work, id } : each))
    : others.filter((each) => each.id !== id)
  const isKnown = !work || categories.value.some(({ key }) => key === work.category)
  const added = isKnown
    ? []
    : [{ key: work.category, name: work.category, weight: usualWeight(categories.value), isExam: false }]
  return marksUnder(index, props.subject, [...categories.value, ...added], pieces)
}
const effects = computed(() => (isChanged.value ? changedMarks(wanted.value) : []))
const nameOf = (id: string): string => classRecord.index?.student(id)?.usedName ?? ''

function keep(): Promise<void> {
  return attempt(async () => {
    const read = workKept.safeParse(wanted.value)
    if (!read.success) throw new Error(read.error.issues[0]?.message ?? 'This cannot be kept.')
    const id = props.piece ?? crypto.randomUUID()
    await classRecord.keepWork({
      id,
      subject: props.subject,
      work: read.data,
      was: props.piece === null ? null : seen.value,
    })
    emit('done', id)
  })
}

function takeAway(): Promise<void> {
  return attempt(async () => {
    if (props.piece)
      await classRecord.keepWork({ id: props.piece, subject: props.subject, work: null, was: seen.value })
    emit('done')
  })
}
</script>

<template>
  <div class="grid gap-2 border-l-2 border-teal bg-teal-wash px-3 py-3">
    <form class="grid gap-2" aria-label="A piece of work" data-keeps @submit.prevent="keep">
      <div class="flex flex-wrap items-end gap-3 text-sm">
        <label class="grid min-w-48 flex-1 gap-1"
          >{{ piece ? 'Piece of work' : 'A new piece of work' }}
          <input v-model="wanted.title" class="field" required maxlength="200"
        /></label>
        <label class="grid gap-1"
          >Category <input v-model="categoryName" class="field w-36" list="categories-here" required />
          <datalist id="categories-here">
            <option v-for="each in categories" :key="each.key" :value="each.name"></option></datalist
        ></label>
        <label class="grid gap-1"
          >Date
          <input v-stands.asked="wanted.date" class="field" type="date" @change="wanted.date = valueOf($event) || null"
        /></label>
        <label class="grid gap-1"
          >Out of <input v-model.number="wanted.outOf" class="field w-20" type="number" min="0.5" step="any" required
        /></label>
        <label class="grid gap-1"
          >Weight <input v-model.number="wanted.weight" class="field w-20" type="number" min="0" step="any" required
        /></label>
        <label class="flex items-center gap-1.5 pb-1.5"
          ><input v-model="wanted.counts" type="checkbox" /> counts toward the mark</label
        >
      </div>
      <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
      <p v-if="effects.length > 0" class="text-sm" role="status">
        {{ effects.length }} proposed {{ effects.length === 1 ? 'mark becomes another' : 'marks become others' }}:
        {{
          effects
            .slice(0, 6)
            .map(
              ({ studentId, before, after }) =>
                `${nameOf(studentId)} ${markShown(before, subject)} → ${markShown(after, subject)}`,
            )
            .join(', ')
        }}{{ effects.length > 6 ? ' …' : '' }}
      </p>
      <p class="flex flex-wrap items-center gap-4 text-sm">
        <button type="submit" class="press" :disabled="busy || !isChanged">
          {{ piece ? 'Keep the change' : 'Add it' }}
        </button>
        <button type="button" class="link" @click="emit('done')">
          {{ isChanged ? 'Leave it as it was' : 'Close' }}
        </button>
        <button v-if="piece" type="button" class="link ml-auto" :disabled="busy" @click="takeAway">
          Take it away{{ given > 0 ? ` with its ${given} results` : ''
          }}<template v-if="given > 0 && changedMarks(null).length > 0">
            ({{ changedMarks(null).length }} proposed marks change)</template
          >
        </button>
      </p>
    </form>
    <QuestionEditor v-if="standing" :work="standing" />
  </div>
</template>
