<script setup lang="ts">
import type { SetupAnswer } from '~~/contracts/answers'
import type { SetupChange } from '~~/contracts/ownSetup'
import { planSetupMerge, type MergeableSetup, type SetupMerge } from '~~/core/exchange/folder/planSetupMerge'
import { readPlan, writePlan } from '~~/core/narrative/plan'
import type { SchoolSetup } from '~~/core/school/schoolSetup'
import { askServer } from '~/composables/useApi'
import { useOwnSchool } from '~/stores/ownSchool'
import { useView } from '~/stores/view'

/** What a folder's set-up has that this year lacks; what is here stays as it is. */
const props = defineProps<{ theirs: SchoolSetup }>()
const emit = defineEmits<{ taken: [words: string] }>()
const school = useOwnSchool()
const view = useView()
const { busy, problem, attempt } = useAttempt()
const phrasesHere = shallowRef<MergeableSetup['phrases'] | null>(null)
const along = ref<string[]>([])
onMounted(() => attempt(school.loadSetup))
// Phrases come and go with the rest, by an undo too.
watch(
  () => school.setup,
  () =>
    attempt(async () => {
      const { setup } = await askServer<SetupAnswer>('GET', `/api/years/${view.schoolYear}/setup`)
      phrasesHere.value = setup.phrasebook.phrases
    }),
)

/** What is retired counts as here. */
const here = computed((): MergeableSetup | null => {
  const { setup } = school
  if (!setup || !phrasesHere.value) return null
  const boxes = setup.boxes.map((box) => ({ ...box, plan: readPlan(box.plan) }))
  return { ...setup, boxes, phrases: phrasesHere.value }
})
const merge = computed((): SetupMerge | null => {
  const theirs = { ...props.theirs, phrases: props.theirs.phrasebook.phrases }
  return here.value && planSetupMerge(here.value, theirs, new Set(along.value))
})
const names: [keyof MergeableSetup, string, string][] = [
  ['subjects', 'subject', 'subjects'],
  ['skills', 'skill', 'skills'],
  ['scales', 'scale', 'scales'],
  ['habits', 'habit', 'habits'],
  ['boxes', 'comment box', 'comment boxes'],
  ['phrases', 'phrase', 'phrases'],
]
const brings = computed(() =>
  names.flatMap(([key, one, many]) => {
    const count = merge.value?.[key].length ?? 0
    return count === 0 ? [] : [`${count} ${count === 1 ? one : many}`]
  }),
)
/** What can be looked at before it is taken; phrases are too many. */
const lines = computed(() => [
  ...(merge.value?.subjects ?? []).map(({ name }) => `Subject: ${name}`),
  ...(merge.value?.scales ?? []).map(({ name }) => `Scale: ${name}`),
  ...(merge.value?.habits ?? []).map(({ name }) => `Habit: ${name}`),
  ...(merge.value?.boxes ?? []).map(({ name }) => `Comment box: ${name}`),
  ...(merge.value?.skills ?? []).map(({ statement }) => `Skill: ${statement}`),
  ...(merge.value?.phrases ?? []).slice(0, 200).map(({ text }) => `Phrase: ${text}`),
])
/** Subjects of theirs that are not here, those that come along too. */
const lacking = computed(() => {
  const none =
    here.value && planSetupMerge(here.value, { ...props.theirs, phrases: props.theirs.phrasebook.phrases }, new Set())
  return none?.without ?? []
})

function take(): Promise<void> {
  return attempt(async () => {
    const { setup } = school
    if (!merge.value || !setup) return
    const words = `${brings.value.join(', ')} came in.`
    await school.writeSetup(changesOf(merge.value))
    emit('taken', words)
  })
}

function changesOf({ scales, subjects, skills, habits, boxes, phrases }: SetupMerge): SetupChange[] {
  const { setup } = school
  const fresh = { retired: false }
  const added = <Kind extends SetupChange['kind']>(kind: Kind) => ({ kind, was: null })
  return [
    ...scales.map((row) => ({ ...added('scale'), row: { ...row, levels: [...row.levels] } })),
    ...subjects.map((row, at) => ({
      ...added('subject'),
      row: {
        ...row,
        ...fresh,
        markScaleByGrade: [...(row.markScaleByGrade ?? [])],
        skillScaleByGrade: [...(row.skillScaleByGrade ?? [])],
        strandNames: { ...row.strandNames },
        takenBy: row.takenBy ?? 'class',
        position: nextPosition(setup?.subjects ?? []) + at,
      },
    })),
    ...skills.map((row, at) => ({
      ...added('skill'),
      row: { ...row, ...fresh, position: nextPosition(setup?.skills ?? []) + at },
    })),
    ...habits.map((row, at) => ({
      ...added('habit'),
      row: { ...row, ...fresh, position: nextPosition(setup?.habits ?? []) + at },
    })),
    ...boxes.map((row, at) => ({
      ...added('box'),
      row: {
        ...row,
        ...fresh,
        plan: writePlan(row.plan),
        limitByGrade: [...(row.limitByGrade ?? [])],
        position: nextPosition(setup?.boxes ?? []) + at,
      },
    })),
    ...phrases.map(({ owner: _owner, ...row }, at) => ({
      ...added('phrase'),
      row: { ...row, position: Math.min((phrasesHere.value?.length ?? 0) + at, 10_000) },
    })),
  ]
}
</script>

<template>
  <div class="grid max-w-160 gap-2">
    <h4 class="font-semibold">What its set-up has that {{ school.setup?.year }} lacks</h4>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <template v-if="merge">
      <p class="border-l-2 border-teal bg-teal-wash px-3 py-2 text-sm" role="status">
        {{ brings.length === 0 ? 'Nothing new.' : `New: ${brings.join(', ')}.` }} {{ merge.same }} things are here
        already and stay as they are here.
      </p>
      <fieldset v-if="lacking.length > 0" class="text-sm">
        <legend>Subjects that {{ school.setup?.year }} does not have; what belongs to them is left out:</legend>
        <label v-for="each in lacking" :key="each.key" class="mt-1 flex items-baseline gap-2">
          <input v-model="along" type="checkbox" :value="each.key" />
          <span>bring {{ each.name }} along, with {{ each.things }} of its skills, boxes and phrases</span>
        </label>
      </fieldset>
      <details v-if="lines.length > 0" class="text-sm">
        <summary class="link w-fit cursor-pointer">What comes in</summary>
        <ul class="mt-1 max-h-60 overflow-y-auto" tabindex="0" aria-label="What comes in">
          <li v-for="(line, at) in lines" :key="at" class="border-b border-rule py-0.5">{{ line }}</li>
        </ul>
      </details>
      <button v-if="brings.length > 0" type="button" class="press justify-self-start" :disabled="busy" @click="take">
        Take this into {{ school.setup?.year }}
      </button>
    </template>
  </div>
</template>
