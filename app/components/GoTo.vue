<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/vue'
import { findByWords } from '~~/core/people/findByWords'

/** One field that leads everywhere: type some letters, Enter goes there. */
const { open } = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { places } = usePlaces()
const typed = ref('')
/** So many are shown; more letters find the others. */
const most = 12

const found = computed(() => findByWords(open ? places() : [], typed.value, ({ name }) => name))
const shown = computed(() => found.value.slice(0, most))
watch(
  () => open,
  () => (typed.value = ''),
)

async function go(place: (typeof shown.value)[number] | null): Promise<void> {
  if (!place) return
  emit('close')
  await nextTick()
  await place.go()
}
</script>

<template>
  <Dialog :open="open" class="relative z-30" @close="emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true" />
    <DialogPanel
      class="fixed inset-x-0 top-16 mx-auto w-136 max-w-[calc(100vw-2rem)] border border-edge bg-paper shadow-xl"
    >
      <DialogTitle class="sr-only">Go to</DialogTitle>
      <Combobox :model-value="null" nullable @update:model-value="go">
        <ComboboxInput
          class="w-full bg-paper px-4 py-3"
          placeholder="Student, class, stage, box, phrase or action"
          aria-label="Go to a student, class, stage, box, phrase or action"
          @change="typed = valueOf($event)"
          @keydown.escape="emit('close')"
        />
        <ComboboxOptions static class="max-h-96 overflow-y-auto border-t border-rule">
          <ComboboxOption v-for="place in shown" :key="place.key" v-slot="{ active }" :value="place" as="template">
            <li
              class="flex cursor-pointer items-baseline gap-3 px-4 py-1.5"
              :class="active ? 'bg-teal-wash shadow-[inset_3px_0] shadow-teal' : ''"
            >
              <span class="min-w-0 flex-1 truncate">{{ place.name }}</span><span class="text-sm text-muted">{{
                place.kind
              }}</span>
            </li>
          </ComboboxOption>
        </ComboboxOptions>
        <p class="px-4 py-2 text-sm text-muted" role="status">
          <template v-if="found.length === 0">Nothing here is called so.</template>
          <template v-else-if="found.length > most">{{ found.length - most }} more: type on.</template>
          <template v-else>Enter goes there, Escape puts this away.</template>
        </p>
      </Combobox>
    </DialogPanel>
  </Dialog>
</template>
