<script setup lang="ts">
import { useOwnSchool } from '~/stores/ownSchool'

/** Classes and groups of the year at the left, the list of the chosen one beside them. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
const name = ref('')
const groupName = ref('')
const subject = ref('')
const subjects = computed(() => (school.setup?.subjects ?? []).filter(({ retired }) => !retired))
/** Whether the children of no group take the subject of a new one; asked where it is everybody's so far. */
const onlyGroups = ref(true)
const asksWhoTakes = computed(() =>
  subjects.value.some(({ key, takenBy }) => key === subject.value && takenBy === 'class'),
)
const kinds = computed(() =>
  [
    { title: 'Home classes', rooms: (school.year?.classes ?? []).filter((room) => room.subject === null) },
    { title: 'Groups', rooms: (school.year?.classes ?? []).filter((room) => room.subject !== null) },
  ].filter(({ rooms }) => rooms.length > 0),
)
onMounted(() =>
  attempt(async () => {
    await Promise.all([school.loadYear(), school.loadSetup()])
  }),
)

const nameOfSubject = (key: string): string => school.setup?.subjects.find((each) => each.key === key)?.name ?? key

function add(): Promise<void> {
  return attempt(async () => {
    await school.addClass(name.value, null)
    name.value = ''
  })
}

function addGroup(): Promise<void> {
  return attempt(async () => {
    await school.addClass(groupName.value, subject.value)
    if (asksWhoTakes.value && onlyGroups.value)
      await school.changeRow('subject', subject.value, () => ({ takenBy: 'groups' as const }))
    groupName.value = ''
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
        <template v-for="kind in kinds" :key="kind.title">
          <h3 v-if="kinds.length > 1" class="mt-3 mb-1 text-sm text-muted first:mt-0">{{ kind.title }}</h3>
          <ul class="grid">
            <li v-for="room in kind.rooms" :key="room.id">
              <button
                type="button"
                class="flex w-full justify-between gap-3 border-l-2 px-3 py-1.5 text-left"
                :class="room.id === school.classId ? 'border-teal bg-teal-wash font-semibold' : 'border-transparent'"
                :aria-pressed="room.id === school.classId"
                @click="attempt(() => school.choose(room.id))"
              >
                <span
                  >{{ room.name }}
                  <span v-if="room.subject" class="text-sm font-normal text-muted">{{
                    nameOfSubject(room.subject)
                  }}</span></span
                >
                <span class="text-sm font-normal text-muted tabular-nums">{{ room.students }}</span>
              </button>
            </li>
          </ul>
        </template>
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
        <details v-if="school.year.classes.length > 0" class="mt-4 text-sm">
          <summary class="link">A group out of several classes</summary>
          <form class="mt-2 grid gap-2" @submit.prevent="addGroup">
            <label class="grid gap-1">Called <input v-model="groupName" class="field" required /></label>
            <label class="grid gap-1"
              >Taught together in
              <select v-model="subject" class="field" required>
                <option value="" disabled>a subject …</option>
                <option v-for="each in subjects" :key="each.key" :value="each.key">{{ each.name }}</option>
              </select></label
            >
            <label v-if="asksWhoTakes" class="flex items-start gap-2"
              ><input v-model="onlyGroups" type="checkbox" class="mt-1" />
              <span>Who is in no group does not take {{ nameOfSubject(subject) }}</span></label
            >
            <button type="submit" class="quiet justify-self-start" :disabled="busy">Add group</button>
          </form>
        </details>
      </div>
      <SchoolRoster v-if="school.roster && school.classId" :key="school.classId" />
    </div>
  </section>
</template>
