<script setup lang="ts">
import type { SchoolAndReport } from '~~/contracts/ownSetup'
import { rulesOfSubject, type MarkRules } from '~~/core/marks/markRules'
import { marksByRules } from '~~/core/record/marksByRules'
import { useClassRecord } from '~/stores/classRecord'
import { useOwnSchool } from '~/stores/ownSchool'

/** How marks are worked out; what another rule would do to the class in view is said before it is kept. */
const props = defineProps<{ rules: SchoolAndReport['markRules']; disabled: boolean }>()
const emit = defineEmits<{ write: [rules: SchoolAndReport['markRules']] }>()
const classRecord = useClassRecord()
const school = useOwnSchool()
onMounted(() => (classRecord.record ? undefined : classRecord.load()))
onMounted(() => (school.year ? undefined : school.loadYear()))
const { wanted, isChanged, takeStanding } = useOwnCopy(() => props.rules)
/** The subject whose own rules are looked at; "" for those of all. */
const subject = ref('')
const subjects = computed(() => classRecord.record?.subjects ?? [])
const terms = computed(() => school.year?.terms ?? [])
const called = computed(() => subjects.value.find(({ key }) => key === subject.value)?.name ?? '')
const shown = computed(() => rulesOfSubject(wanted.value, subject.value))
const own = computed(() => wanted.value.bySubject[subject.value] ?? {})
const effect = computed(() => {
  const { index } = classRecord
  return index && isChanged.value ? marksByRules(index, wanted.value) : null
})

function change(part: Partial<MarkRules>): void {
  if (subject.value === '') wanted.value = { ...wanted.value, ...part }
  else takeOwn({ ...own.value, ...part })
}
function takeOwn(rules: Partial<MarkRules> | null): void {
  const { [subject.value]: _before, ...others } = wanted.value.bySubject
  wanted.value = { ...wanted.value, bySubject: rules ? { ...others, [subject.value]: rules } : others }
}
</script>

<template>
  <div>
    <h3 class="font-semibold">How marks are worked out</h3>
    <p class="mt-1 text-sm text-muted">Proposals are worked out anew by what is chosen here; what is settled stays.</p>
    <label class="mt-2 flex items-baseline gap-2 text-sm"
      >Rules of
      <select class="field" :value="subject" @change="subject = valueOf($event)">
        <option value="">all subjects</option>
        <option v-for="each in subjects" :key="each.key" :value="each.key">
          {{ each.name }}{{ wanted.bySubject[each.key] ? ', has its own' : '' }}
        </option>
      </select></label
    >
    <p v-if="subject !== ''" class="mt-1 flex flex-wrap gap-x-4 text-sm text-muted">
      What is changed here holds for {{ called }} alone; all else is as in all subjects.
      <button v-if="wanted.bySubject[subject]" type="button" class="link" @click="takeOwn(null)">
        As in all subjects
      </button>
    </p>
    <MarkRuleFields :rules="shown" :terms="terms" :disabled="disabled" @change="change" />
    <div v-if="isChanged" class="mt-3 grid max-w-160 gap-2">
      <p class="border-l-2 border-teal bg-teal-wash px-3 py-2 text-sm" role="status">
        <template v-if="effect">
          In {{ classRecord.record?.classRoom.name }}, {{ effect.others }} of {{ effect.marks }} proposed marks would be
          others.
        </template>
        <template v-else>There is no class in view to count in.</template>
      </p>
      <p class="flex gap-3">
        <button type="button" class="press text-sm" :disabled="disabled" @click="emit('write', wanted)">
          Keep these rules
        </button>
        <button type="button" class="link text-sm" @click="takeStanding">As it was</button>
      </p>
    </div>
  </div>
</template>
