<script setup lang="ts">
import { displayName } from '~~/core/people/names'
import { usePeople } from '~/stores/people'

/** The staff, one row each: who they are, what they teach, and whether they can sign in. */
const people = usePeople()
const staff = computed(() => people.answer?.people ?? [])
</script>

<template>
  <table class="w-full border-collapse">
    <thead class="small-head border-b border-rule max-middle:hidden">
      <tr>
        <th scope="col" class="py-1 pr-3">Name</th>
        <th scope="col" class="py-1 pr-3">Teaches</th>
        <th scope="col" class="w-[27rem] py-1">Signing in</th>
      </tr>
    </thead>
    <tbody>
      <StaffRow
        v-for="member in staff"
        :key="member.id"
        :member="member"
        :name="displayName({ given: member.given, family: member.family })"
      />
    </tbody>
  </table>
</template>
