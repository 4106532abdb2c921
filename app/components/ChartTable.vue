<script setup lang="ts">
/** The figures behind a chart, for who reads rather than looks, and for print. */
defineProps<{ name: string; heads: readonly string[]; rows: readonly (readonly (string | number)[])[] }>()
</script>

<template>
  <details class="text-sm">
    <summary class="text-muted">As a table</summary>
    <table class="mt-1">
      <caption class="sr-only">
        {{
          name
        }}
      </caption>
      <thead>
        <tr class="text-muted">
          <th
            v-for="(head, at) in heads"
            :key="head"
            scope="col"
            class="pr-4 font-normal"
            :class="at === 0 ? 'text-left' : 'text-right'"
          >
            {{ head }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="([first, ...rest], nth) in rows" :key="nth" class="border-t border-rule">
          <th scope="row" class="pr-4 text-left font-normal">{{ first }}</th>
          <td v-for="(cell, at) in rest" :key="at" class="pr-4 text-right">{{ cell }}</td>
        </tr>
      </tbody>
    </table>
  </details>
</template>
