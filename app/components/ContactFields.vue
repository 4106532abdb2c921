<script setup lang="ts">
import type { Contact } from '~~/contracts/privacy'

/** The fields of somebody who is told of a child; each change is handed on when a field is left. */
const { contact } = defineProps<{ contact: Contact }>()
const emit = defineEmits<{ change: [part: Partial<Contact>] }>()
</script>

<template>
  <label class="grid gap-0.5"
    >Name <input class="field" :value="contact.name" required @change="emit('change', { name: valueOf($event) })"
  /></label>
  <label class="grid gap-0.5"
    >Is to the child
    <input
      class="field"
      :value="contact.relation"
      placeholder="mother, grandfather, guardian"
      @change="emit('change', { relation: valueOf($event) })"
  /></label>
  <label class="grid gap-0.5"
    >Mail <input class="field" type="email" :value="contact.email" @change="emit('change', { email: valueOf($event) })"
  /></label>
  <span class="flex flex-wrap gap-3">
    <label class="grid gap-0.5"
      >Language
      <input
        class="field w-24"
        :value="contact.language"
        placeholder="en"
        @change="emit('change', { language: valueOf($event) })"
    /></label>
    <label class="grid gap-0.5"
      >Household
      <input
        class="field w-20"
        type="number"
        min="1"
        max="9"
        :value="contact.household"
        @change="emit('change', { household: Number(valueOf($event)) })"
    /></label>
  </span>
  <label class="flex items-center gap-2"
    ><input
      type="checkbox"
      :checked="contact.told"
      @change="emit('change', { told: ($event.target as HTMLInputElement).checked })"
    />
    Reports go to them</label
  >
</template>
