<script setup lang="ts" generic="Row extends { readonly student: Student }">
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** A row for each child, the one in view marked; it scrolls sideways by itself where there is no room. */
defineProps<{ rows: readonly Row[] }>()
defineSlots<{ heads(): unknown; cells(props: { row: Row }): unknown }>()
const classRecord = useClassRecord()
const settings = useSettings()
</script>

<template>
  <PlainTable>
    <template #heads>
      <th scope="col" class="py-1 align-bottom">Student</th>
      <slot name="heads" />
    </template>
    <tr
      v-for="row in rows"
      :key="row.student.id"
      class="border-b border-rule"
      :class="row.student.id === classRecord.student?.id ? 'bg-teal-wash' : ''"
    >
      <th scope="row" class="py-1 whitespace-nowrap">{{ settings.nameOf(row.student) }}</th>
      <slot name="cells" :row="row" />
    </tr>
  </PlainTable>
</template>
