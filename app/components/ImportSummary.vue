<script setup lang="ts">
import { signMeanings, type GradebookMapping, type SignMeaning } from '~~/core/exchange/gradebook/gradebookMapping'
import { countPlan, soleCandidates, type DoubtfulPerson, type ImportPlan } from '~~/core/exchange/gradebook/planImport'
import { signKey } from '~~/core/exchange/gradebook/takeScore'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** What taking the file in would change, before anything is changed. */
const props = defineProps<{ plan: ImportPlan; signs: GradebookMapping['signs'] }>()
const emit = defineEmits<{
  answer: [written: string, studentId: string]
  all: [people: Record<string, string>]
  means: [written: readonly string[], meaning: SignMeaning | null]
}>()
const classRecord = useClassRecord()
const settings = useSettings()

const counts = computed(() => countPlan(props.plan))
const changed = computed(() => props.plan.results.filter((result) => result.change === 'changed'))
const workChanged = computed(() => props.plan.work.filter((piece) => piece.change === 'changed'))
const weightsChanged = computed(() => props.plan.categoryWeights.filter(({ before }) => before !== null))
const withWeight = (name: string): string => {
  const given = props.plan.categoryWeights.find((each) => each.name === name)
  return given ? `${name}, weight ${given.weight}` : `${name}, which weighs as much as the usual one`
}
const meaningWords: Record<SignMeaning, string> = {
  nothing: 'nothing: figures alone, or empty',
  missing: 'missing',
  late: 'late',
  excused: 'excused',
  incomplete: 'incomplete',
}
/** Signs that nobody has explained yet, and those that somebody has. */
const asked = computed(() => [
  ...props.plan.signs.slice(0, 12),
  ...Object.keys(props.signs).map((written) => ({ written, times: 0 })),
])
const allSigns = computed(() => props.plan.signs.map(({ written }) => written))
const sole = computed(() => soleCandidates(props.plan.doubtful))
const whoIs = ({ written, candidates: [only, ...others] }: DoubtfulPerson): string =>
  only && others.length === 0 ? `is “${written}” ${only.name}?` : `who is “${written}”?`
const nameOf = (id: string): string => {
  const student = classRecord.index?.student(id)
  return student ? settings.nameOf(student) : id
}
</script>

<template>
  <section aria-label="What will change" class="grid gap-3">
    <p class="text-lg">
      <strong>{{ counts.new }} new</strong>, {{ counts.changed }} changed, {{ counts.unchanged }} unchanged,
      <strong :class="counts.refused > 0 ? 'text-needs' : ''">{{ counts.refused }} refused</strong>
      <span class="text-muted">
        in {{ plan.work.length }} {{ plan.work.length === 1 ? 'piece' : 'pieces' }} of work</span
      >
    </p>
    <div v-if="workChanged.length > 0" class="needs">
      <p class="font-semibold">Work that is here already becomes something else:</p>
      <p v-for="each in workChanged" :key="each.work.title">{{ each.work.title }}: {{ each.changes.join(', ') }}</p>
    </div>
    <p v-for="note in plan.notes" :key="note" class="text-sm text-muted">{{ note }}</p>
    <p v-if="plan.newCategories.length > 0" class="needs">
      New categories: {{ plan.newCategories.map(withWeight).join(', ') }}.
    </p>
    <p v-if="weightsChanged.length > 0" class="needs">
      The file gives categories another weight:
      {{ weightsChanged.map(({ name, before, weight }) => `${name} ${before} → ${weight}`).join(', ') }}. The marks
      move.
    </p>
    <p v-if="Object.keys(sole).length > 1">
      <button type="button" class="quiet" @click="emit('all', sole)">
        {{ Object.keys(sole).length === 2 ? 'Yes, both are' : `Yes, all ${Object.keys(sole).length} are` }} who they
        seem to be
      </button>
    </p>
    <div v-for="doubt in plan.doubtful" :key="doubt.written" class="needs flex flex-wrap items-center gap-x-3 gap-y-1">
      <label :for="`who-${doubt.written}`">Row {{ doubt.rows.join(', ') }}: {{ whoIs(doubt) }}</label>
      <select
        :id="`who-${doubt.written}`"
        class="field"
        @change="emit('answer', doubt.written, ($event.target as HTMLSelectElement).value)"
      >
        <option value="">not taken in until you say</option>
        <option v-for="each in doubt.candidates" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
    </div>
    <p v-if="plan.signs.length > 1">
      <button type="button" class="quiet" @click="emit('means', allSigns, 'nothing')">
        {{ plan.signs.length === 2 ? 'Neither sign says' : 'None of the signs says' }} anything: take the figures alone
      </button>
    </p>
    <div
      v-for="sign in asked"
      :key="`sign ${sign.written}`"
      class="flex flex-wrap items-center gap-x-3 gap-y-1"
      :class="sign.times > 0 ? 'needs' : ''"
    >
      <label :for="`sign-${sign.written}`"
        >“{{ sign.written }}”<template v-if="sign.times > 1">, {{ sign.times }} times,</template> means</label
      >
      <select
        :id="`sign-${sign.written}`"
        class="field"
        :value="signs[signKey(sign.written)] ?? ''"
        @change="emit('means', [sign.written], signMeanings.find((each) => each === valueOf($event)) ?? null)"
      >
        <option value="">not taken in until you say</option>
        <option v-for="each in signMeanings" :key="each" :value="each">{{ meaningWords[each] }}</option>
      </select>
    </div>
    <details v-if="plan.refused.length > 0" :open="plan.refused.length <= 6">
      <summary class="font-semibold">Refused, with the reason</summary>
      <ul class="mt-1 text-sm">
        <li v-for="(each, at) in plan.refused" :key="at" class="border-b border-rule py-1">
          Row {{ each.row }}<template v-if="each.column">, {{ each.column }}</template
          >: {{ each.reason }}
        </li>
      </ul>
    </details>
    <details v-if="changed.length > 0">
      <summary class="font-semibold">Changed</summary>
      <ul class="mt-1 text-sm">
        <li v-for="each in changed" :key="`${each.studentId} ${each.title}`" class="border-b border-rule py-1">
          {{ nameOf(each.studentId) }}, {{ each.title }}: {{ each.before?.score ?? each.before?.state }} →
          {{ each.score ?? each.state }}
        </li>
      </ul>
    </details>
  </section>
</template>
