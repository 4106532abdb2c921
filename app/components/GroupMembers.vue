<script setup lang="ts">
import type { RosterAnswer } from '~~/contracts/classes'
import { displayName } from '~~/core/people/names'
import { useOwnSchool } from '~/stores/ownSchool'

/** Children are taken into a group out of the lists of their home classes. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
const from = shallowRef<RosterAnswer | null>(null)
const fromId = ref('')
const chosen = ref<string[]>([])
useUnsaved(() => chosen.value.length > 0)
const homeClasses = computed(() => (school.year?.classes ?? []).filter((room) => room.subject === null))
const isHere = computed(() => new Set(school.roster?.students.map(({ id }) => id)))
const others = computed(() => from.value?.students.filter(({ id, to }) => !isHere.value.has(id) && to === null) ?? [])

function open(id: string): Promise<void> {
  return attempt(async () => {
    from.value = await school.rosterOf(id)
    fromId.value = id
    chosen.value = []
  })
}

function take(): Promise<void> {
  return attempt(async () => {
    const wanted = others.value.filter(({ id }) => chosen.value.includes(id))
    await school.takeIn(
      wanted.map(({ id: _id, position: _position, ...student }) => ({ ...student, from: null, to: null })),
    )
    chosen.value = []
  })
}
</script>

<template>
  <section aria-labelledby="group-members" class="mt-5 border-t border-rule pt-3">
    <div class="flex flex-wrap items-end gap-3">
      <h3 id="group-members" class="font-semibold">Take children in</h3>
      <label class="flex items-center gap-2 text-sm"
        >out of
        <select class="field" :value="fromId" @change="open(valueOf($event))">
          <option value="" disabled>a class …</option>
          <option v-for="room in homeClasses" :key="room.id" :value="room.id">{{ room.name }}</option>
        </select></label
      >
    </div>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <template v-if="from">
      <p v-if="others.length === 0" class="mt-3">Everybody of {{ from.name }} is in this group.</p>
      <form v-else class="mt-3" @submit.prevent="take">
        <ul class="flex flex-wrap gap-x-5 gap-y-1.5">
          <li v-for="student in others" :key="student.id">
            <label class="flex items-center gap-1.5"
              ><input v-model="chosen" type="checkbox" :value="student.id" />
              {{ displayName({ given: student.usedName, family: student.family }) }}</label
            >
          </li>
        </ul>
        <p class="mt-3 flex flex-wrap gap-4">
          <button type="submit" class="press" :disabled="busy || chosen.length === 0">
            Take {{ chosen.length || '' }} into {{ school.roster?.name }}
          </button>
          <button
            v-if="chosen.length < others.length"
            type="button"
            class="link"
            @click="chosen = others.map(({ id }) => id)"
          >
            Choose all {{ others.length }}
          </button>
        </p>
      </form>
    </template>
  </section>
</template>
