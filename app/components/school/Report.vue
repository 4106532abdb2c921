<script setup lang="ts">
import type { SchoolAndReport } from '~~/contracts/ownSetup'
import { reportParts, type ReportPart } from '~~/core/school/layout'
import { useOwnSchool } from '~/stores/ownSchool'

/** The school's name, how marks are worked out, and how its reports are arranged. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadSetup))
const own = computed(() => school.setup?.school)
const write = (part: Partial<SchoolAndReport>): Promise<void> => attempt(() => school.writeSchool(part))
const writeLayout = (part: Partial<SchoolAndReport['layout']>): void => {
  if (own.value) void write({ layout: { ...own.value.layout, ...part } })
}
/** The parts that the report has, in its order, then those that it has not. */
const parts = computed(() => {
  const chosen = own.value?.layout.parts ?? []
  return [...chosen, ...reportParts.filter((part) => !chosen.includes(part))]
})

function turn(part: ReportPart, stands: boolean): void {
  const chosen = own.value?.layout.parts ?? []
  writeLayout({ parts: stands ? [...chosen, part] : chosen.filter((each) => each !== part) })
}

function raise(part: ReportPart): void {
  const chosen = [...(own.value?.layout.parts ?? [])]
  const at = chosen.indexOf(part)
  if (at < 1) return
  chosen.splice(at - 1, 2, part, chosen[at - 1] as ReportPart)
  writeLayout({ parts: chosen })
}

const zones = Intl.supportedValuesOf('timeZone')
</script>

<template>
  <section aria-labelledby="report">
    <h2 id="report" class="text-xl font-semibold">School, marks and report of {{ school.setup?.year }}</h2>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <div v-if="own" class="mt-4 grid max-w-180 gap-6">
      <div class="flex flex-wrap gap-3 text-sm">
        <label class="grid gap-1"
          >Name of the school
          <input v-stands.asked="own.name" class="field w-64" @change="write({ name: valueOf($event) })"
        /></label>
        <label class="grid gap-1"
          >Place <input v-stands.asked="own.place" class="field w-56" @change="write({ place: valueOf($event) })"
        /></label>
        <label class="grid gap-1"
          >Time zone
          <input
            v-stands.asked="own.timeZone"
            class="field w-48"
            list="zones"
            placeholder="where the server is"
            @change="write({ timeZone: valueOf($event) || undefined })"
        /></label>
        <datalist id="zones"><option v-for="zone in zones" :key="zone" :value="zone"></option></datalist>
        <label class="grid gap-1"
          >Names that end in s
          <select
            class="field"
            :value="own.possessives"
            @change="write({ possessives: valueOf($event) as SchoolAndReport['possessives'] })"
          >
            <option value="apostrophe and s">James’s work</option>
            <option value="apostrophe only">James’ work</option>
          </select></label
        >
      </div>
      <MarkRules :rules="own.markRules" :disabled="busy" @write="(markRules) => write({ markRules })" />
      <div>
        <h3 class="font-semibold">What the checks look for</h3>
        <p class="mt-1 text-sm text-muted">
          Words that are not wanted, private matters, words the school knows, and how hard a comment may read stand
          <NuxtLink :to="{ path: '/phrasebook', query: { part: 'checks' } }" class="link">in the phrasebook</NuxtLink>,
          beside the comments they look at.
        </p>
      </div>
      <div>
        <h3 class="font-semibold">The report</h3>
        <div class="mt-2 flex flex-wrap gap-3 text-sm">
          <label class="grid gap-1"
            >Title
            <input
              v-stands.asked="own.layout.title"
              class="field w-56"
              @change="writeLayout({ title: valueOf($event) })"
          /></label>
          <label class="grid gap-1"
            >Paper
            <select
              class="field"
              :value="own.layout.paper"
              @change="writeLayout({ paper: valueOf($event) as SchoolAndReport['layout']['paper'] })"
            >
              <option>A4</option>
              <option>Letter</option>
            </select></label
          >
          <label class="grid gap-1"
            >Marks
            <select
              class="field"
              :value="own.layout.marks"
              @change="writeLayout({ marks: valueOf($event) as SchoolAndReport['layout']['marks'] })"
            >
              <option value="percent and level">percent and level</option>
              <option value="level">level alone</option>
              <option value="none">none</option>
            </select></label
          >
        </div>
        <ol class="mt-3 grid max-w-88" aria-label="Parts of the report, in order">
          <li v-for="(part, at) in parts" :key="part" class="flex items-center gap-3 border-b border-rule py-1">
            <label class="flex flex-1 items-center gap-2"
              ><input
                type="checkbox"
                :checked="own.layout.parts.includes(part)"
                :disabled="busy"
                @change="turn(part, ($event.target as HTMLInputElement).checked)"
              />
              {{ part }}</label
            >
            <button
              v-if="at > 0 && own.layout.parts.includes(part)"
              type="button"
              class="link text-sm"
              :disabled="busy"
              @click="raise(part)"
            >
              up <span class="sr-only">{{ part }}</span>
            </button>
          </li>
        </ol>
      </div>
    </div>
  </section>
</template>
