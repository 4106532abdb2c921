<script setup lang="ts">
import type { SetupAnswer } from '~~/contracts/answers'
import { askServer } from '~/composables/useApi'
import { saveSchoolFolder } from '~/composables/schoolFolder'
import { useOwnSchool } from '~/stores/ownSchool'
import { useView } from '~/stores/view'

/** A year of the school as open files in one zip, out and in: to keep, to move, or for another school to begin from. */
const view = useView()
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadSetup))
onMounted(() => attempt(school.loadYear))

function saveSetup(): Promise<void> {
  return attempt(async () => {
    const { setup } = await askServer<SetupAnswer>('GET', `/api/years/${view.schoolYear}/setup`)
    const phrasebook = { ...setup.phrasebook, phrases: setup.phrasebook.phrases.filter((phrase) => !phrase.owner) }
    saveSchoolFolder({ ...setup, phrasebook }, school.year?.terms ?? [], `${setup.school.name} set-up`)
  })
}
</script>

<template>
  <section aria-labelledby="folder">
    <h2 id="folder" class="text-xl font-semibold">School folder of {{ school.setup?.year }}</h2>
    <p class="mt-1 max-w-160">One zip of CSV and JSON files, which any spreadsheet opens.</p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <div class="mt-4 grid max-w-4xl gap-8 middle:grid-cols-2">
      <div>
        <h3 class="font-semibold">Everything</h3>
        <p class="mt-1 text-sm text-muted">
          People, classes, children with their contacts, marks, levels, notes and comments, and the set-up. To keep, or
          to move to another server. Left out: passwords, what can be undone, files as they were brought, and reports.
          Keep it where nobody else comes.
        </p>
        <a v-if="school.setup" class="press mt-3 inline-block" :href="`/api/years/${view.schoolYear}/folder`" download>
          Save everything
        </a>
      </div>
      <div>
        <h3 class="font-semibold">The set-up alone</h3>
        <p class="mt-1 text-sm text-muted">
          Subjects, skills, scales, habits, comment boxes, the phrasebook and the layout. For a colleague’s school to
          begin from; there is nothing about any child in it.
        </p>
        <button type="button" class="quiet mt-3" :disabled="busy" @click="saveSetup">Save the set-up</button>
      </div>
    </div>
    <TakeFolder class="mt-10" />
    <TakeBundle class="mt-10" />
    <LeaveDemo v-if="school.isDemo" class="mt-10" />
  </section>
</template>
