<script setup lang="ts">
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'

/** A child's photo, where there is one. The name stands beside it, so it says nothing by itself. */
defineProps<{ student: Student }>()
const classRecord = useClassRecord()
</script>

<template>
  <img
    v-if="student.photo"
    :src="`${classRecord.place}/photos/${student.id}?is=${student.photo}`"
    alt=""
    class="h-16 w-12 rounded-sm object-cover"
    loading="lazy"
  />
</template>
