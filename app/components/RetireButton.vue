<script setup lang="ts">
/** What is not used any more is retired and not lost. */
defineProps<{ retired: boolean; name: string; disabled?: boolean }>()
defineEmits<{ turn: [] }>()
</script>

<template>
  <button type="button" class="link pb-2" :disabled="disabled" @click="$emit('turn')">
    {{ retired ? 'Use it again' : 'Retire' }} <span class="sr-only">{{ name }}</span>
  </button>
</template>
