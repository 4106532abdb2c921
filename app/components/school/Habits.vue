<script setup lang="ts">
import { keyFor } from '~~/core/school/keyFor'
import type { HabitRow } from '~~/contracts/ownSetup'
import { habitColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planHabitList } from '~~/core/exchange/lists/planSetupLists'
import { readList } from '~~/core/exchange/lists/readList'
import { skillWords } from '~~/core/narrative/skillWords'
import { useOwnSchool } from '~/stores/ownSchool'

/** Habits in the order of the report. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadSetup))
const name = ref('')
const words = ref('')
const habits = computed(() => school.setup?.habits ?? [])
const scales = computed(() => (school.setup?.scales ?? []).filter((scale) => scale.kind === 'habit'))

function change({ key }: HabitRow, part: Partial<HabitRow>): Promise<void> {
  return attempt(() => school.changeRow('habit', key, () => part))
}

function add(): Promise<void> {
  return attempt(async () => {
    const row: HabitRow = {
      key: keyFor(
        name.value,
        habits.value.map((each) => each.key),
      ),
      name: name.value,
      familyWords: words.value,
      scale: habits.value[0]?.scale ?? scales.value[0]?.key ?? '',
      position: nextPosition(habits.value),
      retired: false,
    }
    await school.writeSetup([{ kind: 'habit', row, was: null }])
    name.value = words.value = ''
  })
}

const setupList = useSetupList()
function plan(text: string) {
  const list = readList(text, habitColumns)
  return setupList({
    list,
    made: planHabitList(list, { habits: habits.value, scales: scales.value }),
    changeOf: (row, was) => ({ kind: 'habit', row: { ...row }, was: was && { ...was } }),
    lineOf: ({ name, familyWords }) => `${name}: ${familyWords}`,
  })
}
</script>

<template>
  <section aria-labelledby="habits">
    <h2 id="habits" class="text-xl font-semibold">Habits of {{ school.setup?.year }}</h2>
    <p class="mt-1 max-w-160">How a child works, scored each term and told in the general comment.</p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <ul class="mt-4 grid max-w-4xl">
      <li
        v-for="habit in habits"
        :key="habit.key"
        class="grid gap-1 border-b border-rule py-3 text-sm"
        :class="habit.retired ? 'text-muted' : ''"
      >
        <div class="flex flex-wrap items-end gap-3">
          <label class="grid gap-0.5"
            ><span class="text-muted">Habit</span>
            <input v-stands.asked="habit.name" class="field w-44" @change="change(habit, { name: valueOf($event) })"
          /></label>
          <label class="grid flex-1 basis-64 gap-0.5"
            ><span class="text-muted">As families read it</span>
            <input
              v-stands.asked="habit.familyWords"
              class="field"
              @change="change(habit, { familyWords: valueOf($event) })"
          /></label>
          <label v-if="scales.length > 1" class="grid gap-0.5"
            ><span class="text-muted">On</span>
            <select class="field" :value="habit.scale" @change="change(habit, { scale: valueOf($event) })">
              <option v-for="scale in scales" :key="scale.key" :value="scale.key">{{ scale.name }}</option>
            </select></label
          >
          <RetireButton
            :retired="habit.retired"
            :name="habit.name"
            :disabled="busy"
            @turn="change(habit, { retired: !habit.retired })"
          />
          <span class="pb-2 text-muted">{{ restsOn(school.setup?.uses.habit[habit.key]) }}</span>
        </div>
        <p v-if="skillWords(habit.familyWords)" class="font-serif">
          Maya often {{ skillWords(habit.familyWords)?.does.replace(/[{}]/g, '') }}.
        </p>
        <p v-else class="needs">
          No comment can say this as it is written. Write what a child does, as in “Takes turns with others”.
        </p>
      </li>
    </ul>
    <form class="mt-4 flex flex-wrap items-end gap-3 text-sm" @submit.prevent="add">
      <label class="grid gap-1">A new habit <input v-model="name" class="field w-44" required /></label>
      <label class="grid flex-1 basis-64 gap-1"
        >As families read it
        <input v-model="words" class="field max-w-md" placeholder="Takes turns with others" required
      /></label>
      <button type="submit" class="quiet" :disabled="busy">Add habit</button>
    </form>
    <ListImport
      class="mt-6 max-w-4xl"
      title="A list of habits"
      :columns="titlesOf(habitColumns)"
      :words="['habit', 'habits']"
      :plan="plan"
    />
  </section>
</template>
