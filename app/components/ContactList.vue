<script setup lang="ts">
import { contactColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planContactList, type KnownContact } from '~~/core/exchange/lists/planContactList'
import { readList } from '~~/core/exchange/lists/readList'
import { usePrivacy } from '~/stores/privacy'
import { useOwnSchool } from '~/stores/ownSchool'
import { useSettings } from '~/stores/settings'
import { useView } from '~/stores/view'

/** The contacts of a whole class as a list. */
const school = useOwnSchool()
const privacy = usePrivacy()
const view = useView()
const settings = useSettings()
const contacts = shallowRef<KnownContact[]>([])

async function load(): Promise<void> {
  if (school.classId) contacts.value = await privacy.loadContacts(`/api/years/${view.schoolYear}`, school.classId)
}
onMounted(load)

function plan(text: string) {
  const list = readList(text, contactColumns)
  const students = school.roster?.students ?? []
  const made = planContactList(list, { students, contacts: contacts.value })
  const nameOf = (id: string): string => {
    const student = students.find((each) => each.id === id)
    return student ? settings.nameOf(student) : ''
  }
  return {
    added: made.added.length,
    changed: made.changed.length,
    unchanged: made.unchanged,
    refused: made.refused,
    unknown: list.unknown,
    notes: [],
    lines: [...made.added, ...made.changed].map(({ studentId, contact }) => {
      const { name, relation, email, language } = contact
      return `${nameOf(studentId)}: ${[name, relation, email, language].filter(Boolean).join(', ')}`
    }),
    take: async () => {
      await privacy.takeContactsIn(made)
      await load()
    },
  }
}
</script>

<template>
  <ListImport
    title="A list of contacts"
    :columns="titlesOf(contactColumns)"
    :words="['contact', 'contacts']"
    :plan="plan"
  />
</template>
