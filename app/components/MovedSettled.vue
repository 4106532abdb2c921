<script setup lang="ts">
/**
 * What was settled before the record changed: from what to what. What is settled stays until it is decided, once for
 * each or for all.
 */
interface Line {
  readonly key: string
  /** Whose it is, and of what where that is not said elsewhere. */
  readonly name: string
  readonly usedName: string
  readonly from: string
  readonly to: string
  readonly settled: string
}
const props = defineProps<{
  /** "mark", "level", "score". */
  what: string
  lines: readonly Line[]
  may: boolean
}>()
const emit = defineEmits<{ decide: [keys: readonly string[], decision: 'take' | 'keep'] }>()
const id = useId()
const all = computed(() => props.lines.map(({ key }) => key))
/** What can be decided about one: what it is called aloud, and what its button says. */
const ways = ({ to, settled }: Line) =>
  [
    { decision: 'take', words: `Take ${to}`, value: `Take ${to}` },
    { decision: 'keep', words: 'Keep what is settled', value: `Keep ${settled}` },
  ] as const
</script>

<template>
  <section v-if="lines.length > 0" class="needs grid gap-2 text-sm" :aria-labelledby="id">
    <h2 :id="id" class="font-semibold">
      The record has changed since
      {{ lines.length === 1 ? `one ${what} was` : `${lines.length} ${what}s were` }} settled. What is settled stays
      until you decide.
    </h2>
    <ul class="grid gap-1">
      <li v-for="each in lines" :key="each.key" class="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span class="min-w-48 flex-1"
          ><b class="font-semibold">{{ each.name }}</b
          >: proposed {{ each.from }} then, {{ each.to }} now; settled {{ each.settled }}</span
        >
        <template v-if="may">
          <button
            v-for="{ decision, words, value } in ways(each)"
            :key="decision"
            type="button"
            class="quiet"
            :aria-label="`${words} for ${each.usedName}`"
            @click="emit('decide', [each.key], decision)"
          >
            {{ value }}
          </button>
        </template>
      </li>
    </ul>
    <p v-if="may && lines.length > 1" class="flex gap-3">
      <button type="button" class="press" @click="emit('decide', all, 'take')">Take all {{ lines.length }}</button>
      <button type="button" class="quiet" @click="emit('decide', all, 'keep')">Keep all as settled</button>
    </p>
  </section>
</template>
