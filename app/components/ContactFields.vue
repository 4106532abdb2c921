<script setup lang="ts">
import type { Contact } from '~~/contracts/privacy'

/** The fields of somebody who is told of a child; each change is handed on when a field is left. */
const { contact } = defineProps<{ contact: Contact }>()
const emit = defineEmits<{ change: [part: Partial<Contact>] }>()
</script>

<template>
  <label class="grid gap-0.5"
    >Name
    <input v-stands.asked="contact.name" class="field" required @change="emit('change', { name: valueOf($event) })"
  /></label>
  <label class="grid gap-0.5"
    >Is to the child
    <input
      v-stands.asked="contact.relation"
      class="field"
      placeholder="mother, grandfather, guardian"
      @change="emit('change', { relation: valueOf($event) })"
  /></label>
  <label class="grid gap-0.5"
    >Mail
    <input
      v-stands.asked="contact.email"
      class="field"
      type="email"
      @change="emit('change', { email: valueOf($event) })"
  /></label>
  <span class="flex flex-wrap gap-3">
    <label class="grid gap-0.5"
      >Language
      <input
        v-stands.asked="contact.language"
        class="field w-24"
        placeholder="en"
        @change="emit('change', { language: valueOf($event) })"
    /></label>
    <label class="grid gap-0.5"
      >Household
      <input
        v-stands.asked="contact.household"
        class="field w-20"
        type="number"
        min="1"
        max="9"
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
