<script setup lang="ts">
import { staffColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planStaffList } from '~~/core/exchange/lists/planStaffList'
import { readList } from '~~/core/exchange/lists/readList'
import { writeGrades } from '~~/core/people/gradeRange'
import { displayName } from '~~/core/people/names'
import { usePeople } from '~/stores/people'

/** Who signs in, and who teaches what. */
const people = usePeople()
const { problem, attempt } = useAttempt()
onMounted(() => attempt(people.load))

/** Whom a list would take in; all of them, or none. */
function planList(text: string) {
  const list = readList(text, staffColumns)
  const { added, unchanged, refused } = planStaffList(list, people.answer?.people ?? [])
  return {
    added: added.length,
    changed: 0,
    unchanged,
    refused,
    unknown: list.unknown,
    notes: [],
    lines: added.map((person) => {
      const grades = person.grades ? ` of grades ${writeGrades(person.grades)}` : ''
      return `${displayName(person)}, signs in as ${person.signIn}, ${person.role}${grades}`
    }),
    take: () => people.takeInAll(added.map((person) => ({ ...person, switchedOff: false }))),
  }
}
</script>

<template>
  <section aria-labelledby="people">
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <template v-if="people.answer">
      <h2 id="people" class="text-xl font-semibold">People</h2>
      <p class="mt-1 max-w-160">
        Who signs in, and who teaches what in {{ people.answer.year }}. Everybody chooses their own password by a link
        that you hand them; nobody else ever sees it.
      </p>
      <StaffList class="mt-4" />
      <StaffForm class="mt-6" />
      <ListImport
        class="mt-6"
        title="A list of colleagues"
        :columns="titlesOf(staffColumns)"
        :words="['colleague', 'colleagues']"
        :plan="planList"
      />
    </template>
  </section>
</template>
