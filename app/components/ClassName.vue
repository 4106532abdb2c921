<script setup lang="ts">
import type { StudentProgress } from '~~/core/terms/progress'

/** One name of the class list with its progress; drawn again only when something of it changes. */
defineProps<{ name: string; chosen: boolean; stop: boolean; progress: StudentProgress | undefined }>()
const emit = defineEmits<{ choose: [] }>()
</script>

<template>
  <li class="far-line">
    <button
      type="button"
      class="flex w-full items-center gap-2 border-l-3 px-3 py-[3px] text-left"
      :class="chosen ? 'border-teal bg-teal-wash font-semibold' : 'border-transparent'"
      :aria-current="chosen"
      :tabindex="stop ? 0 : -1"
      @click="emit('choose')"
    >
      <span class="min-w-0 flex-1 truncate">{{ name }}</span>
      <ProgressStrokes :progress="progress" />
    </button>
  </li>
</template>
