<script setup lang="ts">
import { longDate } from '~~/core/reports/longDate'
import { retainedKinds, type RetainedKind } from '~~/contracts/privacy'
import { usePrivacy } from '~/stores/privacy'

/** Who may see what, said by the rules themselves; how long it is kept who did; and that children were erased. */
const privacy = usePrivacy()
const { problem, attempt } = useAttempt()
onMounted(() => attempt(privacy.loadRights))

const named: Record<RetainedKind, string> = {
  openings: 'Who opened which class',
  filesLeft: 'Files brought and not taken in',
  filesTaken: 'Files taken in',
  reports: 'Reports made',
  events: 'What was changed, and can be undone',
}

function word(reads: boolean | undefined, changes: boolean | undefined): string {
  return changes ? 'changes' : reads ? 'reads' : ''
}
</script>

<template>
  <section aria-labelledby="privacy">
    <h2 id="privacy" class="text-xl font-semibold">Families’ data</h2>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <template v-if="privacy.rights">
      <h3 id="who" class="mt-4 font-semibold">Who may see what of a class</h3>
      <p class="mt-1 max-w-160 text-sm text-muted">
        Facunda asks the rules it works by for this table. Nobody sees a class that is not theirs, and what is empty
        here is not shown to them.
      </p>
      <div class="relative mt-2 overflow-x-auto">
        <table class="text-sm" aria-labelledby="who">
          <thead>
            <tr class="border-b border-rule text-left align-bottom text-muted">
              <td></td>
              <th v-for="each in privacy.rights.people" :key="each" scope="col" class="w-22 py-1 pr-2 font-normal">
                {{ each }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in privacy.rights.rows" :key="row.what" class="border-b border-rule">
              <th scope="row" class="min-w-52 py-1.5 pr-3 text-left font-normal">{{ row.what }}</th>
              <td v-for="(reads, at) in row.reads" :key="at" :class="row.changes[at] ? 'font-semibold' : ''">
                {{ word(reads, row.changes[at]) }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <h3 class="mt-8 font-semibold">Who has seen it</h3>
      <p class="mt-1 max-w-160">
        Each opening of a class and each fetching of its reports is noted, and is shown with each child in
        <NuxtLink to="/school/classes" class="link">Classes and students</NuxtLink>.
      </p>
      <h3 id="kept" class="mt-8 font-semibold">How long things are kept</h3>
      <p class="mt-1 max-w-160 text-sm text-muted">
        What is older goes by itself, within the hour. Marks, levels, notes and comments stay until you take them away.
      </p>
      <div class="relative mt-2 overflow-x-auto">
        <table class="text-sm" aria-labelledby="kept">
          <thead>
            <tr class="border-b border-rule text-left text-muted">
              <th scope="col" class="py-1 pr-6 font-normal">What</th>
              <th scope="col" class="pr-6 font-normal">Kept for, in days</th>
              <th scope="col" class="pr-6 text-right font-normal">There are</th>
              <th scope="col" class="font-normal">Since</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="each in retainedKinds" :key="each" class="border-b border-rule">
              <th :id="`kept-${each}`" scope="row" class="py-1.5 pr-6 text-left font-normal">{{ named[each] }}</th>
              <td class="pr-6">
                <input
                  v-stands.asked="privacy.rights.kept[each].days"
                  class="field w-20"
                  type="number"
                  min="1"
                  max="3660"
                  :aria-labelledby="`kept-${each}`"
                  @change="attempt(() => privacy.keepFor(each, Number(valueOf($event))))"
                />
              </td>
              <td class="pr-6 text-right tabular-nums">
                {{ privacy.rights.kept[each].count.toLocaleString('en-GB') }}
              </td>
              <td>{{ privacy.rights.kept[each].since ? longDate(privacy.rights.kept[each].since ?? '') : '' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <h3 class="mt-8 font-semibold">Children who were erased</h3>
      <p v-if="privacy.rights.erasures.length === 0" class="mt-1">None.</p>
      <ul v-else class="mt-1 grid gap-1">
        <li v-for="(each, at) in privacy.rights.erasures" :key="at">
          {{ longDate(each.day) }}, by {{ each.by }}: {{ each.reason }}
        </li>
      </ul>
    </template>
  </section>
</template>
