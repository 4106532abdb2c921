<script setup lang="ts">
import type { FolderLook } from '~~/contracts/schoolFolder'
import { readSetupFolder } from '~~/core/exchange/folder/readSetupFolder'
import { problemText } from '~~/core/exchange/files/problem'
import type { SchoolSetup } from '~~/core/school/schoolSetup'
import { askServer } from '~/composables/useApi'
import { readSchoolFolder } from '~/composables/schoolFolder'
import { useOwnSchool } from '~/stores/ownSchool'

/** A folder that somebody brings: what it would do is told first; its year comes in whole, or its set-up alone. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
const file = shallowRef<File | null>(null)
const look = shallowRef<FolderLook | null>(null)
const setup = shallowRef<SchoolSetup | null>(null)
/** What is wrong with its set-up. */
const wrong = ref<string[]>([])
/** Somebody has seen that it is another school's. */
const although = ref(false)
const done = ref('')

function bring(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const [chosen = null] = input.files ?? []
  // The same file may be chosen again, once it has been mended.
  input.value = ''
  return attempt(async () => {
    forget()
    if (!chosen) return
    const files = readSchoolFolder(new Uint8Array(await chosen.arrayBuffer()))
    const encoder = new TextEncoder()
    const read = readSetupFolder(new Map(Object.entries(files).map(([name, text]) => [name, encoder.encode(text)])))
    wrong.value = read.problems.map(problemText)
    if ('year.json' in files) look.value = await askServer<FolderLook>('POST', '/api/years/folder', chosen)
    setup.value = read.setup
    file.value = chosen
  })
}

function forget(): void {
  file.value = null
  look.value = null
  setup.value = null
  wrong.value = []
  although.value = false
  done.value = ''
}

function takeYear(): Promise<void> {
  return attempt(async () => {
    if (!file.value) return
    const taken = await askServer<FolderLook>('POST', '/api/years/folder?take=yes', file.value)
    if (taken.problems.length > 0) {
      look.value = taken
      return
    }
    forget()
    await school.loadYears()
    const made = school.years.find(({ name }) => name === taken.year)
    if (made) await school.chooseYear(made.id)
    done.value = `${taken.year} is in, with its people and classes. Colleagues who are new here need a link to sign in.`
  })
}

const isElsewhere = computed(() => look.value !== null && look.value.into !== '' && look.value.from !== look.value.into)
</script>

<template>
  <section aria-labelledby="take-folder" class="border-t border-rule pt-4">
    <h3 id="take-folder" class="font-semibold">Take a folder in</h3>
    <p class="mt-1 max-w-160 text-sm text-muted">
      A year that is not here yet comes in whole. From a year that is, or from a colleague’s set-up, this year can have
      what it lacks. You see what it would do before anything is done.
    </p>
    <label class="quiet mt-3 inline-block cursor-pointer focus-within:outline-2 focus-within:outline-teal">
      {{ busy ? 'Reading …' : 'Choose a folder' }}
      <input type="file" accept=".zip,application/zip" class="sr-only" :disabled="busy" @change="bring" />
    </label>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <p v-if="done" class="mt-3" role="status">{{ done }}</p>
    <div v-if="look && file" class="mt-5 grid max-w-160 gap-2">
      <h4 class="font-semibold">{{ look.year ? `The year ${look.year} of ${look.from}` : file.name }}</h4>
      <template v-if="look.problems.length > 0">
        <p class="text-sm">It cannot come in whole as it is:</p>
        <ul class="needs text-sm">
          <li v-for="each in look.problems" :key="each">{{ each }}</li>
          <li v-if="look.moreProblems > 0">And {{ look.moreProblems }} more.</li>
        </ul>
      </template>
      <template v-else>
        <div role="status" class="border-l-2 border-teal bg-teal-wash px-3 py-2 text-sm">
          <ul>
            <li v-for="each in look.brings" :key="each">{{ each }}</li>
          </ul>
        </div>
        <label v-if="isElsewhere" class="flex items-baseline gap-2 text-sm">
          <input v-model="although" type="checkbox" />
          <span>This school is called {{ look.into }}. It is the same school, and its children belong here.</span>
        </label>
        <button
          type="button"
          class="press justify-self-start"
          :disabled="busy || (isElsewhere && !although)"
          @click="takeYear"
        >
          Take {{ look.year }} in
        </button>
      </template>
    </div>
    <div v-if="wrong.length > 0 && !look" class="needs mt-3 text-sm" role="alert">
      <ul>
        <li v-for="each in wrong.slice(0, 20)" :key="each">{{ each }}</li>
      </ul>
    </div>
    <SetupMerge v-if="setup && file" :theirs="setup" class="mt-6" @taken="done = $event" />
  </section>
</template>
