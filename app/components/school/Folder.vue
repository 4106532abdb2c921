<script setup lang="ts">
import type { SetupAnswer } from '~~/contracts/answers'
import { askServer } from '~/composables/useApi'
import { saveSchoolFolder } from '~/composables/schoolFolder'
import { useOwnSchool } from '~/stores/ownSchool'
import { useView } from '~/stores/view'

/** All of a year's set-up as open files in one zip: to keep, or for another school to begin from. */
const view = useView()
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()

function save(): Promise<void> {
  return attempt(async () => {
    if (!view.desk) await view.loadDesk()
    const { setup } = await askServer<SetupAnswer>('GET', `/api/years/${view.schoolYear}/setup`)
    const phrasebook = { ...setup.phrasebook, phrases: setup.phrasebook.phrases.filter((phrase) => !phrase.owner) }
    saveSchoolFolder({ ...setup, phrasebook }, `${setup.school.name} set-up`)
  })
}
</script>

<template>
  <section aria-labelledby="folder">
    <h2 id="folder" class="text-xl font-semibold">School folder</h2>
    <p class="mt-1 max-w-160">
      Subjects, skills, scales, habits, comment boxes, the phrasebook and the layout as one zip of CSV and JSON files,
      which any spreadsheet opens. Another school can begin from it; there is nothing about any child in it.
    </p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <button type="button" class="press mt-4" :disabled="busy" @click="save">Save the school folder</button>
    <LeaveDemo v-if="school.isDemo" class="mt-10" />
  </section>
</template>
