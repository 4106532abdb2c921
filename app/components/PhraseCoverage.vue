<script setup lang="ts">
import {
  enoughWordings,
  phraseCoverage,
  type CoverageCell,
  type CoverageRow,
  type ToldAs,
} from '~~/core/record/phraseCoverage'
import { tiers } from '~~/core/scales/tier'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'

/** How many wordings there are for each part at each level, with the thin places marked. A cell opens its phrases. */
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()

const rows = computed(() =>
  classRecord.record && classRecord.box ? phraseCoverage(classRecord.record, classRecord.box) : [],
)
const columns: readonly ToldAs[] = [...[...tiers].reverse(), 'uneven']
const shown = computed(() => columns.filter((as) => rows.value.some((row) => row.cells.some((cell) => cell.as === as))))
const thin = computed(() => rows.value.flatMap((row) => row.cells).filter((cell) => cell.thin).length)
const { listFolded } = useFrame()
const nameOfTier = useNameOfTier()
const nameOfAbout = useNameOfAbout()
const nameOf = (as: ToldAs): string => (as === 'uneven' ? 'Uneven' : (nameOfTier(as) ?? 'Between'))
const isOpen = (row: CoverageRow, as: ToldAs): boolean =>
  phrasebook.place?.part === row.part && phrasebook.place.about === row.about && phrasebook.place.as === as

const look = (row: CoverageRow, cell: CoverageCell): string =>
  isOpen(row, cell.as) ? 'bg-teal text-on-teal' : cell.thin ? 'bg-needs-wash' : ''
const spoken = (row: CoverageRow, { as, wordings, thin: isThin }: CoverageCell): string =>
  `${row.part} ${nameOfAbout(row.about)}, ${nameOf(as)}: ${wordings} wordings${isThin ? ', thin' : ''}`

function open(row: CoverageRow, as: ToldAs): void {
  phrasebook.place = { part: row.part, about: row.about, as }
  phrasebook.phrase = null
}
</script>

<template>
  <div class="grid gap-2">
    <p class="text-sm">
      {{
        thin === 0
          ? 'There are wordings enough for every part.'
          : `${thin} ${thin === 1 ? 'place is' : 'places are'} thin: fewer than ${enoughWordings} wordings, ` +
            'so classmates would share sentences.'
      }}
    </p>
    <p class="text-sm text-muted">
      Outcomes and habits are told in the school’s own words. A phrase for them that says no more than the level is said
      instead; one that says more is offered.
    </p>
    <ul v-if="listFolded" :aria-label="`Wordings by part and level for ${classRecord.box?.name}`">
      <li v-for="row in rows" :key="`${row.part} ${row.about}`" class="border-b border-rule py-1.5 text-sm">
        {{ row.part
        }}<span v-if="!['any', 'mark'].includes(row.about)" class="text-muted"> · {{ nameOfAbout(row.about) }}</span>
        <span class="flex flex-wrap gap-1.5 pt-1">
          <button
            v-for="cell in row.cells"
            :key="cell.as"
            type="button"
            class="rounded-sm border border-rule px-2 py-0.5"
            :aria-pressed="isOpen(row, cell.as)"
            :class="look(row, cell)"
            @click="open(row, cell.as)"
          >
            {{ nameOf(cell.as) }} {{ cell.wordings }}<template v-if="cell.thin"> thin</template>
          </button>
        </span>
      </li>
    </ul>
    <!-- With a place chosen, its phrases stand below without scrolling far. -->
    <div
      v-else
      :class="phrasebook.place ? 'max-h-68 overflow-y-auto border-b border-edge' : ''"
      tabindex="0"
      role="group"
      aria-label="Wordings by part and level"
    >
      <table class="w-full text-sm">
        <caption class="sr-only">
          Wordings by part and level for
          {{
            classRecord.box?.name
          }}
        </caption>
        <thead class="sticky top-0 bg-paper">
          <tr class="border-b border-edge text-muted">
            <th scope="col" class="py-1">Part</th>
            <th
              v-for="as in shown"
              :key="as"
              scope="col"
              class="w-20 text-center"
              :title="as === 'uneven' ? 'Skills of one strand that lie far apart' : undefined"
            >
              {{ nameOf(as) }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="`${row.part} ${row.about}`" class="border-b border-rule">
            <th scope="row" class="py-0.5">
              {{ row.part
              }}<span v-if="!['any', 'mark'].includes(row.about)" class="text-muted">
                · {{ nameOfAbout(row.about) }}</span
              >
            </th>
            <td v-for="as in shown" :key="as" class="text-center">
              <button
                v-for="cell in row.cells.filter((each) => each.as === as)"
                :key="cell.as"
                type="button"
                class="relative w-full rounded-sm px-2 py-0.5"
                :aria-pressed="isOpen(row, as)"
                :class="look(row, cell)"
                :aria-label="spoken(row, cell)"
                @click="open(row, as)"
              >
                {{ cell.wordings }}<span v-if="cell.thin" class="ml-1 text-xs">thin</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
