<script setup lang="ts">
import { shortestPassword } from '~~/core/people/passwordProblem'

/** A password that somebody chooses, with what makes a good one. */
const password = defineModel<string>({ required: true })
const shown = ref(false)
</script>

<template>
  <div class="grid max-w-md gap-3">
    <label class="grid gap-1"
      >Password
      <input
        v-model="password"
        class="field"
        :type="shown ? 'text' : 'password'"
        autocomplete="new-password"
        aria-describedby="advice"
        required
    /></label>
    <label class="flex items-center gap-2 text-sm"><input v-model="shown" type="checkbox" /> Show what I type</label>
    <p id="advice" class="text-sm text-muted">
      At least {{ shortestPassword }} characters. Three or four words that do not belong together are easy to keep and
      hard to guess.
    </p>
  </div>
</template>
