<script setup lang="ts">
import { readGrades } from '~~/core/people/gradeRange'
import { signInNameOf } from '~~/core/people/names'
import { usePeople } from '~/stores/people'

/** A new colleague: names, and the sign-in name that is proposed from them. */
const people = usePeople()
const { busy, problem, attempt } = useAttempt()
const given = ref('')
const family = ref('')
const role = ref<'teacher' | 'coordinator'>('teacher')
const typed = ref<string | null>(null)
const grades = ref('')
const proposed = computed(() => signInNameOf({ given: given.value, family: family.value }))
const signIn = computed({ get: () => typed.value ?? proposed.value, set: (value) => (typed.value = value) })

function takeIn(): Promise<void> {
  return attempt(async () => {
    const person = { signIn: signIn.value, given: given.value, family: family.value, role: role.value }
    const coordinated = role.value === 'coordinator' ? readGrades(grades.value) : null
    if (coordinated === undefined) throw new Error('Write grades as 4-6, or leave them empty for the whole school.')
    const id = await people.takeIn({ ...person, grades: coordinated, switchedOff: false })
    await people.invite(id)
    given.value = family.value = grades.value = ''
    typed.value = null
    role.value = 'teacher'
    document.getElementById(`link-${id}`)?.focus()
  })
}
</script>

<template>
  <form class="border-t border-rule pt-4" aria-labelledby="new-colleague" @submit.prevent="takeIn">
    <h3 id="new-colleague" class="font-semibold">A new colleague</h3>
    <div class="mt-2 flex flex-wrap items-end gap-3">
      <label class="grid gap-1 text-sm">Given name <input v-model="given" class="field w-44" required /></label>
      <label class="grid gap-1 text-sm">Family name <input v-model="family" class="field w-44" /></label>
      <label class="grid gap-1 text-sm"
        >Signs in as <input v-model="signIn" class="field w-52" autocapitalize="none" required
      /></label>
      <label class="grid gap-1 text-sm"
        >Is a
        <select v-model="role" class="field">
          <option value="teacher">teacher</option>
          <option value="coordinator">coordinator</option>
        </select>
      </label>
      <label v-if="role === 'coordinator'" class="grid gap-1 text-sm"
        >Of grades <input v-model="grades" class="field w-28" placeholder="all"
      /></label>
      <button type="submit" class="press" :disabled="busy">Take in and make a link</button>
    </div>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
  </form>
</template>
