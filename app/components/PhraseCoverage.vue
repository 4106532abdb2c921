<script setup lang="ts">
import { enoughWordings, phraseCoverage, type CoverageRow } from '~~/core/record/phraseCoverage'
import { tiers, type Tier } from '~~/core/scales/tier'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'

/** How many wordings there are for each part at each level, with the thin places marked. A cell opens its phrases. */
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()

const rows = computed(() => (classRecord.record && classRecord.box ? phraseCoverage(classRecord.record, classRecord.box) : []))
const shown = computed(() => [...tiers].reverse().filter((tier) => rows.value.some((row) => row.cells.some((cell) => cell.tier === tier))))
const thin = computed(() => rows.value.flatMap((row) => row.cells).filter((cell) => cell.thin).length)
/** What the school calls a tier: the name of its level on the scale in use. */
const nameOf = (tier: Tier): string => {
  const subject = classRecord.record?.subjects.find((each) => each.key === classRecord.box?.subject)
  const scale = classRecord.record?.scales.find((each) => each.key === (subject?.skillScale ?? classRecord.record?.habits[0]?.scale))
  return scale?.levels.find((level) => level.tier === tier)?.name ?? tier
}
const isOpen = (row: CoverageRow, tier: Tier): boolean => phrasebook.place?.part === row.part && phrasebook.place.about === row.about && phrasebook.place.tier === tier

function open(row: CoverageRow, tier: Tier): void {
  phrasebook.place = { part: row.part, about: row.about, tier }
  phrasebook.phrase = null
}
</script>

<template>
  <div class="grid gap-2">
    <p class="text-sm">{{ thin === 0 ? 'There are wordings enough for every part.' : `${thin} ${thin === 1 ? 'place is' : 'places are'} thin: fewer than ${enoughWordings} wordings, so classmates would share sentences.` }}</p>
    <!-- With a place chosen, its phrases stand below without scrolling far. -->
    <div :class="phrasebook.place ? 'max-h-68 overflow-y-auto border-b border-edge' : ''" tabindex="0" role="group" aria-label="Wordings by part and level">
    <table class="w-full text-sm">
      <caption class="sr-only">Wordings by part and level for {{ classRecord.box?.name }}</caption>
      <thead class="sticky top-0 bg-paper"><tr class="border-b border-edge text-muted"><th scope="col" class="py-1">Part</th><th v-for="tier in shown" :key="tier" scope="col" class="w-24 text-center">{{ nameOf(tier) }}</th></tr></thead>
      <tbody>
        <tr v-for="row in rows" :key="`${row.part} ${row.about}`" class="border-b border-rule">
          <th scope="row" class="py-0.5">{{ row.part }}<span v-if="!['any', 'mark'].includes(row.about)" class="text-muted"> · {{ row.about }}</span></th>
          <td v-for="tier in shown" :key="tier" class="text-center">
            <button v-for="cell in row.cells.filter((each) => each.tier === tier)" :key="cell.tier" type="button" class="relative w-full rounded-sm px-2 py-0.5" :aria-pressed="isOpen(row, tier)"
              :class="isOpen(row, tier) ? 'bg-teal text-on-teal' : cell.thin ? 'bg-needs-wash' : ''" :aria-label="`${row.part} ${row.about}, ${nameOf(tier)}: ${cell.wordings} wordings${cell.thin ? ', thin' : ''}`" @click="open(row, tier)">
              {{ cell.wordings }}<span v-if="cell.thin" class="ml-1 text-xs">thin</span>
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    </div>
  </div>
</template>
