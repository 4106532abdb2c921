<script setup lang="ts">
import { useView } from '~/stores/view'

/**
 * The right part of every stage: what bears on the thing in hand. It can be closed, and remembers; where there is no
 * room for it, it is a sheet that is called.
 */
defineProps<{ title: string }>()
const view = useView()
const { marginFolded, sheet } = useFrame()
</script>

<template>
  <template v-if="marginFolded">
    <Teleport defer to="#margin-call">
      <button type="button" class="quiet" aria-keyshortcuts="Alt+M" @click="sheet = 'margin'">{{ title }}</button>
    </Teleport>
    <SideSheet :open="sheet === 'margin'" :title="title" side="right" @close="sheet = null">
      <div class="px-4 py-3"><slot /></div>
    </SideSheet>
  </template>
  <Teleport v-else defer to="#margin">
    <section v-if="view.kept.margin" :aria-label="title" class="flex h-full w-80 flex-col border-l border-rule">
      <header class="flex items-center border-b border-rule px-4 py-2">
        <h2 class="font-semibold">{{ title }}</h2>
        <button type="button" class="link ml-auto text-sm" @click="view.kept.margin = false">Close margin</button>
      </header>
      <div class="min-h-0 flex-1 overflow-y-auto px-4 py-3" tabindex="0" role="group" :aria-label="`${title}, content`">
        <slot />
      </div>
    </section>
    <button v-else type="button" class="quiet m-2 [writing-mode:vertical-rl]" @click="view.kept.margin = true">
      {{ title }}
    </button>
  </Teleport>
</template>
