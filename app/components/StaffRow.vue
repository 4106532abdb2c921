<script setup lang="ts">
import type { PeopleAnswer, StaffMember } from '~~/contracts/people'
import { writeGrades } from '~~/core/people/gradeRange'
import { longDate } from '~~/core/reports/longDate'
import { usePeople } from '~/stores/people'
import { useSession } from '~/stores/session'

const props = defineProps<{ member: StaffMember; name: string }>()
const people = usePeople()
const session = useSession()
const { busy, problem, attempt } = useAttempt()
const link = computed(() => people.links.get(props.member.id))
const address = computed(() => (link.value ? `${window.location.origin}${link.value.path}` : ''))
const copied = ref(false)
const isOneself = computed(() => session.person?.id === props.member.id)
/** "class subject", with nothing for the home class. */
const chosen = ref('')
const secondReader = ref(false)
/** The teaching whose days are being changed. */
const dated = ref<string | null>(null)

const nameOfClass = (id: string): string => people.answer?.classes.find((each) => each.id === id)?.name ?? ''
const nameOfSubject = (key: string | null): string =>
  key === null ? 'home class' : (people.answer?.subjects.find((each) => each.key === key)?.name ?? key)

/** A group is taught its own subject and nothing else. */
function subjectsOf(room: PeopleAnswer['classes'][number]): PeopleAnswer['subjects'] {
  return (people.answer?.subjects ?? []).filter(({ key }) => room.subject === null || room.subject === key)
}

async function copy(): Promise<void> {
  await navigator.clipboard.writeText(address.value)
  copied.value = true
}

function give(): Promise<void> {
  const [classId = '', subject = ''] = chosen.value.split(' ')
  const lesson = { personId: props.member.id, classId, subject: subject === '' ? null : subject, from: null, to: null }
  const reads = secondReader.value
  chosen.value = ''
  secondReader.value = false
  return attempt(() => people.give({ ...lesson, secondReader: reads }))
}

type Taught = StaffMember['teaching'][number]

function nameOfLesson({ subject, secondReader: reads, from, to }: Taught): string {
  const days = [from && `from ${longDate(from)}`, to && `to ${longDate(to)}`].filter(Boolean).join(' ')
  return [nameOfSubject(subject), reads ? 'second reader' : '', days].filter(Boolean).join(', ')
}

function redate(each: Taught, part: Partial<Taught>): Promise<void> {
  return attempt(() => people.giveOtherwise(props.member.id, each, { from: each.from, to: each.to, ...part }))
}
</script>

<template>
  <tr class="border-b border-rule align-top max-middle:grid max-middle:gap-2 max-middle:py-3">
    <th scope="row" class="py-2 pr-3" :class="member.switchedOff ? 'text-muted line-through' : ''">
      {{ name }}
      <span class="block text-sm font-normal text-muted">
        {{ member.signIn
        }}<template v-if="member.role === 'coordinator'"
          >, coordinator{{ member.grades ? ` of grades ${writeGrades(member.grades)}` : '' }}</template
        >
      </span>
    </th>
    <td class="py-2 pr-3">
      <ul class="flex flex-wrap gap-x-3 gap-y-1">
        <li v-for="each in member.teaching" :key="each.id" class="flex items-baseline gap-1">
          {{ nameOfClass(each.classId) }}: {{ nameOfLesson(each) }}
          <button
            type="button"
            class="link text-sm"
            :aria-expanded="dated === each.id"
            :aria-label="`Days of ${nameOfSubject(each.subject)} of ${nameOfClass(each.classId)}`"
            @click="dated = dated === each.id ? null : each.id"
          >
            days
          </button>
          <template v-if="dated === each.id">
            <label class="text-sm"
              >from
              <input
                v-stands.asked="each.from"
                class="field text-sm"
                type="date"
                @change="redate(each, { from: valueOf($event) || null })"
            /></label>
            <label class="text-sm"
              >to
              <input
                v-stands.asked="each.to"
                class="field text-sm"
                type="date"
                @change="redate(each, { to: valueOf($event) || null })"
            /></label>
          </template>
          <button
            type="button"
            class="link text-sm"
            :disabled="busy"
            :aria-label="`Take ${nameOfSubject(each.subject)} of ${nameOfClass(each.classId)} away from ${name}`"
            @click="attempt(() => people.giveOtherwise(member.id, each, null))"
          >
            take away
          </button>
        </li>
        <li v-if="!member.switchedOff" class="flex flex-wrap gap-2">
          <select v-model="chosen" class="field text-sm" :aria-label="`A class or subject for ${name}`">
            <option value="">A class or subject …</option>
            <optgroup v-for="room in people.answer?.classes" :key="room.id" :label="room.name">
              <option v-if="room.subject === null" :value="`${room.id} `">{{ room.name }}: home class</option>
              <option v-for="subject in subjectsOf(room)" :key="subject.key" :value="`${room.id} ${subject.key}`">
                {{ room.name }}: {{ subject.name }}
              </option>
            </optgroup>
          </select>
          <template v-if="chosen !== ''">
            <label class="flex items-center gap-1 text-sm whitespace-nowrap"
              ><input v-model="secondReader" type="checkbox" /> as second reader</label
            >
            <button type="button" class="quiet text-sm" :disabled="busy" @click="give">
              Give it to {{ member.given }}
            </button>
          </template>
        </li>
      </ul>
      <p v-if="problem" class="needs mt-2" role="alert">{{ problem }}</p>
    </td>
    <td class="py-2 text-sm">
      <p class="flex flex-wrap gap-x-3 whitespace-nowrap">
        <span v-if="member.switchedOff">switched off</span>
        <span v-else-if="member.entry === 'not invited'" class="text-needs">cannot sign in yet</span>
        <span v-else-if="member.entry === 'invited' && member.linkEnds"
          >has a link until {{ longDate(member.linkEnds.slice(0, 10)) }}</span
        >
        <span v-else>has a password</span>
        <button
          v-if="!member.switchedOff"
          type="button"
          class="link"
          :disabled="busy"
          @click="attempt(() => people.invite(member.id))"
        >
          {{ member.entry === 'has a password' ? 'Link for a new password' : 'New link' }}
          <span class="sr-only">for {{ name }}</span>
        </button>
        <button
          v-if="!isOneself"
          type="button"
          class="link"
          :disabled="busy"
          @click="attempt(() => people.alter(member, { switchedOff: !member.switchedOff }))"
        >
          {{ member.switchedOff ? 'Switch on' : 'Switch off' }} <span class="sr-only">{{ name }}</span>
        </button>
      </p>
      <div v-if="link" class="mt-2 grid gap-1 border-l-2 border-teal pl-3">
        <label :for="`link-${member.id}`">Hand {{ member.given }} this link. It is good once, for a week.</label>
        <span class="flex gap-2">
          <input :id="`link-${member.id}`" class="field min-w-0 flex-1" readonly :value="address" />
          <button type="button" class="quiet" @click="attempt(copy)">{{ copied ? 'Copied' : 'Copy' }}</button>
        </span>
      </div>
    </td>
  </tr>
</template>
