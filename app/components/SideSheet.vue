<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** A part of the frame that has no room of its own: it comes up over the work when called, and goes by Escape. */
defineProps<{
  open: boolean
  title: string
  side: 'left' | 'right'
  /** Where the focus goes first; else to the first that takes it. */
  first?: HTMLElement | null
}>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" :initial-focus="first" class="relative z-10" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <DialogPanel
      class="fixed inset-y-0 flex w-88 max-w-[calc(100vw-2rem)] flex-col bg-paper shadow-xl"
      :class="side === 'right' ? 'right-0' : 'left-0'"
    >
      <header class="flex items-center border-b border-rule px-4 py-2">
        <DialogTitle class="font-semibold">{{ title }}</DialogTitle>
        <button type="button" class="link ml-auto text-sm" @click="emit('close')">Put away</button>
      </header>
      <div class="min-h-0 flex-1 overflow-y-auto"><slot /></div>
    </DialogPanel>
  </Dialog>
</template>
