<script setup lang="ts">
import type { SchoolToSetUp, SetUpAnswer } from '~~/contracts/setUp'
import { folderYear } from '~~/core/exchange/folder/schoolFolder'
import { schoolFile } from '~~/core/exchange/folder/readSetupFolder'
import { proposeTerms, yearProblems, type TermDays } from '~~/core/terms/schoolYear'
import { signInNameOf } from '~~/core/people/names'
import { askServer } from '~/composables/useApi'
import { useSession } from '~/stores/session'

/** An empty school: who has the key from the console sets it up, and is its first coordinator. */
definePageMeta({ layout: 'plain' })
useHead({ title: 'Set up your school · Facunda' })
const session = useSession()
const route = useRoute()
const offered = shallowRef<SetUpAnswer | null>(null)
const { busy, problem, attempt } = useAttempt()

const key = ref(String(route.query.key ?? ''))
const name = ref('')
const place = ref('')
const year = reactive(yearOfToday())
const count = ref(3)
const terms = ref<TermDays[]>([])
const beginning = ref('')
/** Stands among the beginnings for a school folder that somebody brings. */
const own = 'a school folder'
const given = ref('')
const family = ref('')
const typed = ref<string | null>(null)
const signIn = computed({
  get: () => typed.value ?? signInNameOf({ given: given.value, family: family.value }),
  set: (value) => (typed.value = value),
})
const password = ref('')

watch([() => year.starts, () => year.ends, count], () => (terms.value = proposeTerms(year, count.value, isoToday())), {
  immediate: true,
})
const wrongDays = computed(() => yearProblems(year, terms.value))

onMounted(() =>
  attempt(async () => {
    offered.value = await askServer<SetUpAnswer>('GET', '/api/set-up')
    if (!offered.value.needed) await navigateTo('/sign-in')
    beginning.value = offered.value.beginnings[0]?.key ?? ''
  }),
)

/** A colleague's set-up, brought as a file. */
const brought = shallowRef<Record<string, string> | null>(null)
function bring(event: Event): Promise<void> {
  return attempt(async () => {
    brought.value = null
    const [file] = (event.target as HTMLInputElement).files ?? []
    if (!file) return
    brought.value = readSchoolFolder(new Uint8Array(await file.arrayBuffer()))
    beginning.value = own
    await proposeFrom(brought.value)
  })
}

/** What a folder with people, classes and results says of itself; all of it can be written over. */
const wholeYear = ref('')
async function proposeFrom(files: Record<string, string>): Promise<void> {
  wholeYear.value = ''
  const read = folderYear.safeParse(parsedJson(files['year.json']))
  if (!read.success) return
  const school = schoolFile.pick({ name: true, place: true }).safeParse(parsedJson(files['school.json']))
  name.value ||= school.data?.name ?? ''
  place.value ||= school.data?.place ?? ''
  const { terms: theirs, ...days } = read.data
  Object.assign(year, { name: days.name, starts: days.starts, ends: days.ends })
  wholeYear.value = days.name
  // Its own terms take the place of those that the days propose.
  await nextTick()
  terms.value = theirs
}

function parsedJson(text = ''): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** Today as the clock of this place has it, as an ISO date. */
function isoToday(): string {
  return new Date().toLocaleDateString('sv-SE')
}

/** The school year that today is in: from the middle of August, as most have it; every day can be written over. */
function yearOfToday(): { name: string; starts: string; ends: string } {
  const now = new Date()
  const first = now.getMonth() >= 5 ? now.getFullYear() : now.getFullYear() - 1
  return { name: `${first}–${String(first + 1).slice(2)}`, starts: `${first}-08-17`, ends: `${first + 1}-07-02` }
}

function setUp(): Promise<void> {
  return attempt(async () => {
    const body: SchoolToSetUp = {
      key: key.value,
      name: name.value,
      place: place.value,
      year: { ...year, terms: terms.value },
      beginning: beginning.value === own ? (brought.value ?? {}) : beginning.value,
      coordinator: { signIn: signIn.value, given: given.value, family: family.value },
      password: password.value,
    }
    await askServer('POST', '/api/set-up', body)
    await session.signIn(signIn.value, password.value)
    await navigateTo('/school/classes')
  })
}
</script>

<template>
  <main class="mx-auto max-w-5xl px-4 py-8 middle:py-12">
    <h1 class="flex items-center gap-3 text-3xl font-semibold">
      <img src="/mark.svg" alt="" width="36" height="36" /> Set up your school
    </h1>
    <p class="mt-3 max-w-160 font-serif text-lg">
      Five questions, and your school is there. Whatever you choose now can be changed at any time.
    </p>
    <form v-if="offered?.needed" class="mt-8 grid gap-10" @submit.prevent="setUp">
      <fieldset class="grid gap-3">
        <legend class="text-xl font-semibold">The school</legend>
        <div class="grid gap-3 middle:grid-cols-2">
          <label class="grid gap-1">Its name <input v-model="name" class="field" required /></label>
          <label class="grid gap-1">Its town or place <input v-model="place" class="field" /></label>
        </div>
      </fieldset>

      <fieldset class="grid gap-3">
        <legend class="text-xl font-semibold">This school year</legend>
        <div class="flex flex-wrap gap-3">
          <label class="grid gap-1">Called <input v-model="year.name" class="field w-32" required /></label>
          <label class="grid gap-1">First day <input v-model="year.starts" class="field" type="date" required /></label>
          <label class="grid gap-1">Last day <input v-model="year.ends" class="field" type="date" required /></label>
          <label class="grid gap-1"
            >Reports go out
            <select v-model.number="count" class="field">
              <option :value="1">once a year</option>
              <option :value="2">after each semester (2)</option>
              <option :value="3">after each trimester (3)</option>
              <option :value="4">after each quarter (4)</option>
            </select></label
          >
        </div>
        <TermDaysTable v-model="terms" />
        <div v-if="wrongDays.length > 0" class="needs" role="alert">
          <ul>
            <li v-for="each in wrongDays" :key="each">{{ each }}</li>
          </ul>
        </div>
      </fieldset>

      <fieldset class="grid grid-cols-1 gap-3">
        <legend class="text-xl font-semibold">What to begin from</legend>
        <p class="text-sm text-muted">
          Subjects, skills, scales, habits and sentences that can be used at once. All of it becomes your own.
        </p>
        <label
          v-for="each in offered.beginnings"
          :key="each.key"
          class="flex items-baseline gap-3 border-b border-rule pb-3"
        >
          <input v-model="beginning" type="radio" name="beginning" :value="each.key" />
          <span
            ><strong>{{ each.title }}</strong
            ><span class="block text-sm text-muted">{{ each.about }}</span></span
          >
        </label>
        <div class="flex flex-wrap items-baseline gap-3">
          <label class="flex items-baseline gap-3"
            ><input v-model="beginning" type="radio" name="beginning" :value="own" />
            <strong>A school folder from elsewhere</strong></label
          >
          <input
            type="file"
            accept=".zip,application/zip"
            aria-label="Choose a school folder"
            class="text-sm"
            @change="bring"
          />
          <p v-if="wholeYear && beginning === own" class="w-full text-sm" role="status">
            This folder holds people, classes and results of {{ wholeYear }} too. Set the school up, and take them in
            from the same folder in School, under School folder.
          </p>
        </div>
      </fieldset>

      <fieldset class="grid gap-3">
        <legend class="text-xl font-semibold">You, its first coordinator</legend>
        <div class="grid gap-3 middle:grid-cols-3">
          <label class="grid gap-1"
            >Given name <input v-model="given" class="field" autocomplete="given-name" required
          /></label>
          <label class="grid gap-1"
            >Family name <input v-model="family" class="field" autocomplete="family-name"
          /></label>
          <label class="grid gap-1"
            >You sign in as
            <input v-model="signIn" class="field" autocomplete="username" autocapitalize="none" required
          /></label>
        </div>
        <NewPassword v-model="password" />
      </fieldset>

      <fieldset class="grid gap-3">
        <legend class="text-xl font-semibold">The key</legend>
        <label class="grid max-w-md gap-1"
          >It was printed where Facunda was started, and is good once
          <input v-model="key" class="field font-mono" autocomplete="off" spellcheck="false" required
        /></label>
      </fieldset>
      <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
      <button type="submit" class="press justify-self-start" :disabled="busy || wrongDays.length > 0">
        Set up {{ name || 'the school' }}
      </button>
    </form>
    <p v-else-if="problem" class="needs mt-6" role="alert">{{ problem }}</p>
  </main>
</template>
