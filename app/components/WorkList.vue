<script setup lang="ts">
import { percentText, roundHalfUp } from '~~/core/marks/rounding'
import type { WorkSpread } from '~/composables/useWorkSpread'
import { useClassRecord } from '~/stores/classRecord'

/** The work of a subject, a line each, with how far it is in and how the class did. */
defineProps<{ rows: readonly WorkSpread[]; may: boolean }>()
const emit = defineEmits<{ piece: [id: string] }>()
const classRecord = useClassRecord()
const categoryName = useCategoryName()
const { listFolded } = useFrame()
</script>

<template>
  <table class="w-full">
    <thead>
      <tr class="border-b border-edge text-sm text-muted">
        <th scope="col" class="py-1">Piece of work</th>
        <template v-if="!listFolded">
          <th scope="col">Category</th>
          <th scope="col">Date</th>
          <th scope="col" class="text-right">Out of</th>
        </template>
        <th scope="col" class="text-right">Results</th>
        <th scope="col" class="text-right">Middle result</th>
        <th v-if="!listFolded" scope="col" class="text-right">Middle half</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ piece, results, middle, low, high, missing } in rows" :key="piece.id" class="border-b border-rule">
        <th scope="row" class="py-1.5">
          <button v-if="may" type="button" class="text-left hover:underline" @click="emit('piece', piece.id)">
            {{ piece.title }}
          </button>
          <template v-else>{{ piece.title }}</template>
          <span v-if="listFolded" class="block text-xs font-normal text-muted"
            >{{ categoryName(piece.category) }}, {{ piece.date ?? 'no date' }}, out of {{ piece.outOf }}</span
          >
        </th>
        <template v-if="!listFolded">
          <td>{{ categoryName(piece.category) }}</td>
          <td>{{ piece.date ?? '—' }}</td>
          <td class="text-right">{{ piece.outOf }}</td>
        </template>
        <td class="text-right">
          {{ results }} of {{ classRecord.takers.length
          }}<span v-if="missing > 0" class="text-needs">, {{ missing }} missing</span>
        </td>
        <td class="text-right">{{ middle === null ? '—' : percentText(middle) }}</td>
        <td v-if="!listFolded" class="text-right text-muted">
          {{ low === null || high === null ? '—' : `${roundHalfUp(low)} to ${percentText(high)}` }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
