<script setup lang="ts">
import type { MarkStory } from '~~/core/record/markStory'

/** How a mark came about: each part with the results that it rests on, what was left out, and how it ends. */
defineProps<{ story: MarkStory }>()
/** A number and its sign stay on one line. */
const bound = (words: string): string => words.replaceAll(' %', '\u00a0%')
</script>

<template>
  <section aria-labelledby="how-the-mark-came">
    <h3 id="how-the-mark-came" class="small-head">How this mark came about</h3>
    <details v-for="part in story.parts" :key="part.name" class="border-b border-rule py-1">
      <summary>
        <b class="font-semibold">{{ part.name }}</b><span class="block pl-4 text-muted">{{ bound(part.words) }}</span>
      </summary>
      <ul class="pl-4">
        <li v-for="line in part.lines" :key="line.title" class="flex flex-wrap gap-x-2 py-0.5">
          <span class="min-w-0 flex-1">{{ line.title }}</span><span class="text-muted">{{ bound(line.words) }}</span>
        </li>
      </ul>
    </details>
    <details v-if="story.leftOut.length > 0" class="border-b border-rule py-1">
      <summary>
        <b class="font-semibold">Left out</b><span class="pl-2 text-muted">{{ story.leftOut.length }}</span>
      </summary>
      <ul class="pl-4">
        <li v-for="line in story.leftOut" :key="line.title" class="flex gap-2 py-0.5">
          <span class="min-w-0 flex-1">{{ line.title }}</span><span class="text-muted">{{ bound(line.words) }}</span>
        </li>
      </ul>
    </details>
    <p v-if="story.proposal !== null" class="flex border-b border-edge py-1 font-semibold">
      <span class="flex-1">Proposal</span>{{ bound(story.proposal) }}
    </p>
    <details v-if="story.exact.length > 0" class="border-b border-rule py-1">
      <summary>Exactly</summary>
      <p v-for="line in story.exact" :key="line" class="py-0.5 pl-4">{{ bound(line) }}</p>
    </details>
    <p v-for="end in story.ends" :key="end" class="py-0.5">{{ bound(end) }}</p>
  </section>
</template>
