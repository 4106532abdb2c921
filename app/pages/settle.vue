<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import { dequal } from 'dequal'
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import type { GridColumn } from '~/components/LevelGrid.vue'
import { nameOfStrand } from '~~/core/school/strand'
import { useClassRecord } from '~/stores/classRecord'

useHead({ title: 'Settle · Facunda' })
const classRecord = useClassRecord()
const chosen = useSessionStorage('facunda.settle.tab', 0)
const about = ref<string | null>(null)

const subject = computed(() => classRecord.subject)
/** The columns as they were where they say the same: a grid keeps its place, and its rows, through what is typed. */
const kept = (before: GridColumn[] | undefined, now: GridColumn[]): GridColumn[] =>
  before && dequal(before, now) ? before : now
const skills = computed((before?: GridColumn[]): GridColumn[] => kept(before, skillColumns()))
const habits = computed((before?: GridColumn[]): GridColumn[] => kept(before, habitColumns()))

function skillColumns(): GridColumn[] {
  return (classRecord.record?.skills ?? [])
    .filter((skill) => skill.subject === subject.value?.key)
    .flatMap((skill) => {
      const scale = classRecord.index?.scale(subject.value?.skillScale ?? '')
      return scale
        ? [
            {
              about: skill.id,
              title: skill.statement,
              detail: `${nameOfStrand(subject.value ?? undefined, skill.strand)}. On the report: ${skill.familyWords}`,
              scale,
              teacherOnly: skill.teacherOnly,
            },
          ]
        : []
    })
}

function habitColumns(): GridColumn[] {
  return (classRecord.record?.habits ?? []).flatMap((habit) => {
    const scale = classRecord.index?.scale(habit.scale)
    return scale ? [{ about: habit.key, title: habit.name, detail: habit.familyWords, scale, teacherOnly: false }] : []
  })
}

const maySubject = computed(() => subject.value !== null && classRecord.may.subjects.includes(subject.value.key))
const marginTitle = computed(() => (isOfLevels.value ? 'What the record shows' : 'What the mark rests on'))
const tabs = computed(() => [
  `Marks in ${subject.value?.name ?? ''}`,
  `Skills in ${subject.value?.name ?? ''}`,
  // In a group there are none: they are the home class's.
  ...(habits.value.length > 0 ? ['Habits'] : []),
  'The class',
])
const tab = computed({ get: () => Math.min(chosen.value, tabs.value.length - 1), set: (at) => (chosen.value = at) })
provideShown(() => isOfLevels.value)
const shownAbout = unhurried(() => about.value)
const isOfLevels = computed(() => tab.value > 0 && tab.value < tabs.value.length - 1)
const { noteAbout } = useFrame()
// A note that is begun at a cell is about its skill or habit.
watchEffect(() => {
  const kind = tab.value === 1 ? 'skill' : 'habit'
  noteAbout.value = isOfLevels.value && about.value ? `${kind} ${about.value}` : ''
})
onUnmounted(() => (noteAbout.value = ''))
</script>

<template>
  <div class="p-3 middle:p-5">
    <h1 class="sr-only">Settle</h1>
    <TabGroup :selected-index="tab" @change="tab = $event">
      <TabList class="mb-4 flex flex-wrap gap-x-5 border-b border-rule">
        <Tab v-for="each in tabs" :key="each" class="tab">{{ each }}</Tab>
      </TabList>
      <TabPanels>
        <TabPanel :tabindex="-1" class="grid grid-cols-1 gap-4"><MarkViews /><WhoTakes /></TabPanel>
        <TabPanel :tabindex="-1"
          ><LevelGrid
            v-if="skills.length > 0"
            :columns="skills"
            kind="skill"
            :may="maySubject"
            @cell="about = $event"
          />
          <p v-else>{{ subject?.name }} has no skills to rate.</p></TabPanel
        >
        <TabPanel v-if="habits.length > 0" :tabindex="-1"
          ><LevelGrid :columns="habits" kind="habit" :may="classRecord.may.general" @cell="about = $event"
        /></TabPanel>
        <TabPanel :tabindex="-1"><WholeClass @marks="tab = 0" /></TabPanel>
      </TabPanels>
    </TabGroup>
    <MarginPanel :title="marginTitle">
      <template v-if="!isOfLevels"><MarkReason /><StudentResults /></template>
      <CellEvidence v-else :kind="tab === 1 ? 'skill' : 'habit'" :about="shownAbout" />
    </MarginPanel>
  </div>
</template>
