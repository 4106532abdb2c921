<script setup lang="ts">
import type { Contact } from '~~/contracts/privacy'
import type { RosterAnswer } from '~~/contracts/classes'
import { blankContact } from '~~/core/exchange/lists/planContactList'
import { longDate } from '~~/core/reports/longDate'
import { usePrivacy } from '~/stores/privacy'
import { useOwnSchool } from '~/stores/ownSchool'

/** What the coordinator looks after for one child: the class, the people who are told, and the family's data. */
const props = defineProps<{ student: RosterAnswer['students'][number] }>()
const school = useOwnSchool()
const privacy = usePrivacy()
const { busy, problem, attempt } = useAttempt()
const lastDay = ref('')
const to = ref('')
const reason = ref('')
const number = ref('')
onMounted(() => attempt(() => privacy.load(props.student.id)))

const group = computed(() => school.roster?.subject ?? null)
const otherClasses = computed(() =>
  (school.year?.classes ?? []).filter((room) => room.id !== school.classId && room.subject === group.value),
)
const blank = (): Contact => ({ ...blankContact, position: privacy.student?.contacts.length ?? 0 })
const fresh = ref(blank())

function move(): Promise<void> {
  return attempt(async () => {
    const { id: studentId, from, to: until } = props.student
    await school.moveStudent({ studentId, lastDay: lastDay.value, to: to.value || null, was: { from, to: until } })
    lastDay.value = to.value = ''
  })
}

/** The child was never here: what is recorded about them stays. */
function takeOut(): Promise<void> {
  const { id, position, ...was } = props.student
  return attempt(() => school.writeStudents([{ id, position, was, student: null }]))
}

/** Takes the last day back: the child stays. */
function stay(): Promise<void> {
  const { id, position, ...was } = props.student
  return attempt(() => school.writeStudents([{ id, position, was, student: { ...was, to: null } }]))
}

function addContact(): Promise<void> {
  return attempt(async () => {
    await privacy.writeContact(crypto.randomUUID(), fresh.value, null)
    fresh.value = blank()
  })
}

type Kept = Contact & { id: string }

function changeContact({ id, ...was }: Kept, part: Partial<Contact> | null): Promise<void> {
  return attempt(() => privacy.writeContact(id, part && { ...was, ...part }, was))
}

function erase(): Promise<void> {
  return attempt(async () => {
    await privacy.erase(reason.value, number.value)
    await school.loadYear()
  })
}
</script>

<template>
  <div class="grid gap-6 px-4 py-4">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <section aria-labelledby="leaves" class="grid gap-2">
      <h3 id="leaves" class="font-semibold">In {{ school.roster?.name }}</h3>
      <p v-if="student.from" class="text-sm">Since {{ longDate(student.from) }}.</p>
      <p v-if="student.to" class="text-sm">
        Until {{ longDate(student.to) }}.
        <button type="button" class="link" :disabled="busy" @click="stay">Stays after all</button>
      </p>
      <form v-else class="grid gap-2 text-sm" @submit.prevent="move">
        <label class="grid gap-1">Last day here <input v-model="lastDay" class="field" type="date" required /></label>
        <label class="grid gap-1"
          >Then
          <select v-model="to" class="field">
            <option value="">leaves {{ group === null ? 'the school' : 'the group' }}</option>
            <option v-for="room in otherClasses" :key="room.id" :value="room.id">is in {{ room.name }}</option>
          </select></label
        >
        <p class="text-muted">What was settled and written goes along. Who leaves is still told of for this term.</p>
        <button type="submit" class="quiet justify-self-start" :disabled="busy">
          {{ to === '' ? 'Leaves' : group === null ? 'Changes class' : 'Changes group' }}
        </button>
      </form>
      <button type="button" class="link justify-self-start text-sm" :disabled="busy" @click="takeOut">
        Was never in this {{ group === null ? 'class' : 'group' }}: take out
      </button>
    </section>
    <section v-if="privacy.student" aria-labelledby="contacts" class="grid gap-3">
      <h3 id="contacts" class="font-semibold">Who is told</h3>
      <fieldset
        v-for="each in privacy.student.contacts"
        :key="each.id"
        class="grid gap-1 border-l-2 border-rule pl-3 text-sm"
      >
        <legend class="sr-only">{{ each.name }}</legend>
        <ContactFields :contact="each" @change="changeContact(each, $event)" />
        <button type="button" class="link justify-self-start" :disabled="busy" @click="changeContact(each, null)">
          take away <span class="sr-only">{{ each.name }}</span>
        </button>
      </fieldset>
      <form class="grid gap-1 text-sm" aria-label="A new contact" @submit.prevent="addContact">
        <ContactFields :contact="fresh" @change="fresh = { ...fresh, ...$event }" />
        <button type="submit" class="quiet mt-1 justify-self-start" :disabled="busy">Add contact</button>
      </form>
    </section>
    <section v-if="privacy.student" aria-labelledby="data" class="grid gap-3 text-sm">
      <h3 id="data" class="text-base font-semibold">The family’s data</h3>
      <a class="link" :href="`/api/students/${student.id}/data`" download>Save all that is kept of this child</a>
      <details>
        <summary>Who opened it: {{ privacy.student.openings.length }}</summary>
        <ul class="mt-1 grid gap-1">
          <li v-for="(each, at) in privacy.student.openings" :key="at">
            {{ longDate(each.day) }}: {{ each.by }}, {{ each.className }}, {{ each.term }}
            <template v-if="each.times > 1">({{ each.times }} times)</template>
          </li>
        </ul>
      </details>
      <details>
        <summary>Erase this child</summary>
        <form class="mt-2 grid gap-2" @submit.prevent="erase">
          <p>
            Everything that is kept of {{ privacy.student.name }} goes for good, in all years. It cannot be undone. Save
            what is kept first if the family wants it.
          </p>
          <label class="grid gap-1">Why <input v-model="reason" class="field" required /></label>
          <label class="grid gap-1"
            >Its school number, once more <input v-model="number" class="field" required autocomplete="off"
          /></label>
          <button type="submit" class="quiet justify-self-start" :disabled="busy">Erase for good</button>
        </form>
      </details>
    </section>
  </div>
</template>
