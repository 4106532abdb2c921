<script setup lang="ts">
import { useOwnSchool } from '~/stores/ownSchool'

/** Classes of the year at the left, the list of the chosen one beside them. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
const name = ref('')
onMounted(() => attempt(school.loadYear))

function add(): Promise<void> {
  return attempt(async () => {
    await school.addClass(name.value)
    name.value = ''
  })
}
</script>

<template>
  <section aria-labelledby="classes">
    <h2 id="classes" class="text-xl font-semibold">Classes and students of {{ school.year?.year.name }}</h2>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <div v-if="school.year" class="mt-4 grid grid-cols-1 gap-6 middle:grid-cols-[14rem_minmax(0,1fr)]">
      <div>
        <p v-if="school.year.classes.length === 0">There is no class yet. Write what your first one is called.</p>
        <ul class="grid">
          <li v-for="room in school.year.classes" :key="room.id">
            <button
              type="button"
              class="flex w-full justify-between gap-3 border-l-2 px-3 py-1.5 text-left"
              :class="room.id === school.classId ? 'border-teal bg-teal-wash font-semibold' : 'border-transparent'"
              :aria-pressed="room.id === school.classId"
              @click="attempt(() => school.choose(room.id))"
            >
              {{ room.name }} <span class="text-sm font-normal text-muted tabular-nums">{{ room.students }}</span>
            </button>
          </li>
        </ul>
        <form class="mt-3 flex gap-2" @submit.prevent="add">
          <input
            v-model="name"
            class="field min-w-0 flex-1"
            aria-label="Name of a new class"
            placeholder="5 Willow"
            required
          />
          <button type="submit" class="quiet" :disabled="busy">Add class</button>
        </form>
      </div>
      <SchoolRoster v-if="school.roster && school.classId" :key="school.classId" />
    </div>
  </section>
</template>
