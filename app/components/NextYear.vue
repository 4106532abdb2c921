<script setup lang="ts">
import type { YearToFollow } from '~~/contracts/setUp'
import { nextGrade, nextName, nextYear } from '~~/core/terms/nextYear'
import { yearProblems, type TermDays, type YearDays } from '~~/core/terms/schoolYear'
import { useOwnSchool } from '~/stores/ownSchool'
import { useView } from '~/stores/view'

/** A new year made from this one: its days, and which classes go on with whom. */
const school = useOwnSchool()
const view = useView()
const { busy, problem, attempt } = useAttempt()
interface GoingOn {
  from: string
  /** A group's subject; null for a home class. */
  subject: string | null
  was: string
  name: string
  goes: boolean
  /** Whether its children are shown with a class for each to go to. */
  reforms: boolean
  students: (YearToFollow['classes'][number]['students'][number] & Going)[]
}
interface Going {
  goes: boolean
  /** The class that they go on with, by the one that it was: their own, until something else is said. */
  to: string
}
const open = ref(false)
const year = ref<YearDays>({ name: '', starts: '', ends: '' })
const terms = ref<TermDays[]>([])
const classes = ref<GoingOn[]>([])
const proposedName = computed(() => nextName(school.year?.year.name ?? ''))
const isLast = computed(() => school.years.at(-1)?.id === view.schoolYear)
const wrong = computed(() => yearProblems(year.value, terms.value))

function begin(): Promise<void> {
  return attempt(async () => {
    if (!school.year) return
    const next = nextYear(school.year.year, school.year.terms)
    year.value = next.year
    terms.value = next.terms
    classes.value = (await school.yearToFollow()).classes.map(({ id, name, subject, students }) => ({
      from: id,
      subject,
      was: name,
      name: nextName(name),
      goes: true,
      reforms: false,
      students: students.map((student) => ({ ...student, goes: true, to: id })),
    }))
    open.value = true
  })
}

/** Children who leave the school: they go on in no home class. */
const leaving = computed(() => {
  const homes = classes.value.filter((room) => room.subject === null)
  const goesOn = new Set(homes.flatMap((room) => whoGoesTo(room.from)))
  return new Set(homes.flatMap((room) => room.students.flatMap(({ id }) => (goesOn.has(id) ? [] : [id]))))
})

/** Who goes on in a class: those who were in it, then those who join it. */
function whoGoesTo(from: string): string[] {
  const own = classes.value.filter((room) => room.from === from)
  const others = classes.value.filter((room) => room.from !== from)
  return [...own, ...others].flatMap((room) =>
    room.students.flatMap(({ id, to, goes }) => (goes && to === from && (room.goes || to !== room.from) ? [id] : [])),
  )
}

const nameOf = (from: string): string => classes.value.find((room) => room.from === from)?.name ?? ''

/** Where the children of a class can go on: home classes, or groups of the same subject. */
const likeIt = (room: GoingOn): GoingOn[] => classes.value.filter((each) => each.subject === room.subject)

function make(): Promise<void> {
  return attempt(async () => {
    await school.makeYear({
      from: view.schoolYear ?? '',
      year: { ...year.value, terms: terms.value },
      classes: classes.value
        .filter((room) => room.goes)
        .map(({ from, name, subject }) => ({
          from,
          name,
          students: whoGoesTo(from).filter((id) => subject === null || !leaving.value.has(id)),
        })),
    })
    open.value = false
  })
}
</script>

<template>
  <section aria-labelledby="next-year">
    <h2 id="next-year" class="text-xl font-semibold">The next year</h2>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <template v-if="!open">
      <p class="mt-1 max-w-160">
        Subjects, skills, scales, habits, comment boxes, phrasebook and layout are carried over and can be changed there
        without touching this year. Students move up with their class, and go on in their groups.
      </p>
      <button v-if="isLast && school.year" type="button" class="quiet mt-3" :disabled="busy" @click="begin">
        Make {{ proposedName }} from this year
      </button>
      <p v-else-if="school.year" class="mt-3 text-sm text-muted">There is a later year already: choose it above.</p>
    </template>
    <form v-else class="mt-4 grid gap-5" @submit.prevent="make">
      <div class="flex flex-wrap gap-3">
        <label class="grid gap-1">Called <input v-model="year.name" class="field w-32" required /></label>
        <label class="grid gap-1">First day <input v-model="year.starts" class="field" type="date" required /></label>
        <label class="grid gap-1">Last day <input v-model="year.ends" class="field" type="date" required /></label>
      </div>
      <TermDaysTable v-model="terms" class="max-w-5xl" />
      <div v-if="wrong.length > 0" class="needs" role="alert">
        <ul>
          <li v-for="each in wrong" :key="each">{{ each }}</li>
        </ul>
      </div>
      <fieldset v-for="room in classes" :key="room.from" class="border-t border-rule pt-3">
        <legend class="float-left mr-4 font-semibold">{{ room.was }}</legend>
        <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
          <label class="flex items-center gap-2"><input v-model="room.goes" type="checkbox" /> goes on as</label>
          <input v-model="room.name" class="field w-40" :aria-label="`${room.was} is called`" :disabled="!room.goes" />
        </div>
        <ul v-if="room.goes || room.reforms" class="clear-both mt-2 flex flex-wrap gap-x-5 gap-y-1 text-sm">
          <li v-for="student in room.students" :key="student.id" class="flex items-center gap-1.5">
            <label class="flex items-center gap-1.5" :class="student.goes ? '' : 'text-muted line-through'"
              ><input v-model="student.goes" type="checkbox" /> {{ student.name }}
              <span class="text-muted">{{ nextGrade(student.gradeLevel) }}</span></label
            >
            <select
              v-if="room.reforms && student.goes"
              v-model="student.to"
              class="field py-0 text-sm"
              :aria-label="`The class of ${student.name}`"
            >
              <option v-for="each in likeIt(room)" :key="each.from" :value="each.from" :disabled="!each.goes">
                {{ each.name }}
              </option>
            </select>
            <span v-else-if="student.goes && student.to !== room.from" class="text-teal"
              >→ {{ nameOf(student.to) }}</span
            >
          </li>
        </ul>
        <button
          v-if="likeIt(room).length > 1"
          type="button"
          class="link mt-1 text-sm"
          :aria-expanded="room.reforms"
          @click="room.reforms = !room.reforms"
        >
          {{ room.reforms ? 'Done with it' : `Put into other ${room.subject === null ? 'classes' : 'groups'}` }}
          <span class="sr-only">{{ room.was }}</span>
        </button>
      </fieldset>
      <p class="flex flex-wrap gap-4">
        <button type="submit" class="press" :disabled="busy || wrong.length > 0">Make {{ year.name }}</button>
        <button type="button" class="link" @click="open = false">Not now</button>
      </p>
    </form>
  </section>
</template>
