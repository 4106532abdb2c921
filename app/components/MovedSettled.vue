<script setup lang="ts">
/**
 * What was settled before the record changed: from what to what. What is settled stays until it is decided, once for
 * each or for all.
 */
const props = defineProps<{
  /** "mark", "level", "score". */
  what: string
  lines: readonly {
    key: string
    /** Whose it is, and of what where that is not said elsewhere. */
    name: string
    usedName: string
    from: string
    to: string
    settled: string
  }[]
  may: boolean
}>()
const emit = defineEmits<{ decide: [keys: readonly string[], decision: 'take' | 'keep'] }>()
const id = useId()
const all = computed(() => props.lines.map(({ key }) => key))
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
            type="button"
            class="quiet"
            :aria-label="`Take ${each.to} for ${each.usedName}`"
            @click="emit('decide', [each.key], 'take')"
          >
            Take {{ each.to }}
          </button>
          <button
            type="button"
            class="quiet"
            :aria-label="`Keep what is settled for ${each.usedName}`"
            @click="emit('decide', [each.key], 'keep')"
          >
            Keep {{ each.settled }}
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
