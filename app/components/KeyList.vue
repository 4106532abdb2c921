<script setup lang="ts">
import { keysOf } from '~/keys/keyTable'

/** The keys of the stage in view. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const route = useRoute()
const keys = computed(() => keysOf(route.path.slice(1)))
</script>

<template>
  <SideSheet :open="open" title="Keys" side="right" @close="emit('close')">
    <dl class="grid gap-2 p-4 text-sm">
      <div v-for="each in keys" :key="each.press" class="flex gap-3 border-b border-rule pb-2">
        <dt class="w-28 shrink-0">
          <kbd class="border border-edge px-1.5 py-0.5">{{ each.press }}</kbd>
        </dt>
        <dd>{{ each.does }}</dd>
      </div>
    </dl>
    <p class="px-4 pb-4 text-sm text-muted">On a Mac, ⌘ in place of Ctrl and ⌥ in place of Alt.</p>
  </SideSheet>
</template>
