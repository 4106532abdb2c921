<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { everyMarkComparison, markComparisons, type MarkComparison } from '~~/core/record/markComparisons'
import { useSettings } from '~/stores/settings'

/** Which comparisons stand beside a proposal, and in which order: the reader's own choice. */
const settings = useSettings()
const { problem, attempt } = useAttempt()
const chosen = computed(() => settings.own.comparisons)
const all = computed(() => [...chosen.value, ...everyMarkComparison.filter((each) => !chosen.value.includes(each))])

const keep = (change: (comparisons: readonly MarkComparison[]) => MarkComparison[]): Promise<void> =>
  attempt(() => settings.change(({ comparisons }) => ({ comparisons: change(comparisons) })))
const turn = (one: MarkComparison): Promise<void> =>
  keep((now) => (now.includes(one) ? now.filter((each) => each !== one) : [...now, one]))
const earlier = (one: MarkComparison): Promise<void> =>
  keep((now) => now.filter((each) => each !== one).toSpliced(now.indexOf(one) - 1, 0, one))
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="link text-sm">Compare with …</PopoverButton>
    <PopoverPanel class="absolute right-0 z-20 mt-1 grid w-72 gap-1 border border-edge bg-paper p-3 text-sm shadow-lg">
      <p class="text-muted">Columns beside the proposal, in this order.</p>
      <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
      <div v-for="each in all" :key="each" class="flex items-center gap-2">
        <label class="flex flex-1 items-center gap-2"
          ><input type="checkbox" :checked="chosen.includes(each)" @change="turn(each)" />{{
            markComparisons[each].title
          }}</label
        >
        <button
          v-if="chosen.indexOf(each) > 0"
          type="button"
          class="link"
          :aria-label="`${markComparisons[each].title}: one column earlier`"
          @click="earlier(each)"
        >
          ↑
        </button>
      </div>
    </PopoverPanel>
  </Popover>
</template>
