<script setup lang="ts">
import type { NuxtError } from '#app'

defineProps<{ error: NuxtError }>()
</script>

<template>
  <main class="mx-auto grid max-w-md gap-4 px-4 pt-28">
    <h1 class="text-2xl font-semibold">
      {{ error.statusCode === 404 ? 'There is nothing at this address' : 'Something went wrong' }}
    </h1>
    <p>
      {{ error.statusCode === 404 ? 'The page may have been moved, or the address has a slip in it.' : error.message }}
      Nothing you typed was lost.
    </p>
    <p><button type="button" class="press" @click="clearError({ redirect: '/' })">Back to the desk</button></p>
  </main>
</template>
