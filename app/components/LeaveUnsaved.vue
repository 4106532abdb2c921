<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useLeaving } from '~/stores/leaving'

/** Comes up when a page is left on which something is begun and not saved. */
const leaving = useLeaving()
const stay = useTemplateRef('stay')
</script>

<template>
  <Dialog :open="leaving.isAsking" :initial-focus="stay" class="relative z-20" @close="leaving.say(false)">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center p-4">
      <DialogPanel class="w-96 bg-sheet p-6 shadow-xl">
        <DialogTitle class="mb-2 text-lg font-semibold">Not saved yet</DialogTitle>
        <p class="mb-4">Something on this page is begun and not saved. It is lost if you leave now.</p>
        <p class="flex flex-wrap gap-3">
          <button ref="stay" type="button" class="press" @click="leaving.say(false)">Stay here</button>
          <button type="button" class="quiet" @click="leaving.say(true)">Leave without it</button>
        </p>
      </DialogPanel>
    </div>
  </Dialog>
</template>
