<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useSession } from '~/stores/session'

/** Comes up over the work when the sign-in has run out, so that nothing on the screen is lost. */
const session = useSession()
</script>

<template>
  <Dialog :open="session.expired" class="relative z-20" @close="() => undefined">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center p-4">
      <DialogPanel class="w-96 bg-sheet p-6 shadow-xl">
        <DialogTitle class="mb-2 text-lg font-semibold">Sign in again</DialogTitle>
        <p class="mb-4">You have been signed out. What you typed is kept and is saved as soon as you are back.</p>
        <SignInForm />
      </DialogPanel>
    </div>
  </Dialog>
</template>
