<script setup lang="ts">
import type { BundleLook } from '~~/contracts/bundle'
import { askServer } from '~/composables/useApi'
import { useSaving } from '~/stores/saving'
import { useView } from '~/stores/view'

/** A OneRoster bundle of the whole school into the year in view: looked at first, then taken in as one step. */
const view = useView()
const saving = useSaving()
const { busy, problem, attempt } = useAttempt()
const chosen = shallowRef<File | null>(null)
const look = shallowRef<BundleLook | null>(null)
const done = ref('')

const send = (file: File, take: 'yes' | 'no'): Promise<BundleLook> =>
  askServer<BundleLook>('POST', `/api/years/${view.schoolYear}/bundle?take=${take}`, file)

function choose(event: Event): Promise<void> {
  return attempt(async () => {
    const input = event.target as HTMLInputElement
    const [file] = input.files ?? []
    input.value = ''
    look.value = null
    done.value = ''
    if (!file) return
    chosen.value = file
    look.value = await send(file, 'no')
  })
}

function takeIn(): Promise<void> {
  return attempt(async () => {
    if (!chosen.value) return
    const { event, brings } = await send(chosen.value, 'yes')
    saving.did(event)
    done.value = `${chosen.value.name} is in: ${brings.join('; ')}.`
    leave()
    await view.loadDesk()
  })
}

function leave(): void {
  chosen.value = null
  look.value = null
}
</script>

<template>
  <section aria-labelledby="bundle">
    <h3 id="bundle" class="font-semibold">A OneRoster bundle into this year</h3>
    <p class="mt-1 max-w-160 text-sm text-muted">
      Children, classes, pieces of work and results of the whole school, from a student information system (OneRoster
      1.1 or 1.2, as a zip of CSV files). What is here already is known by number and name and stays; nothing changes
      before you have seen what would come. Teachers get no accounts from it.
    </p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <p v-if="done" class="mt-3 max-w-160 border-l-2 border-teal bg-teal-wash px-3 py-2" role="status">{{ done }}</p>
    <p v-else-if="busy" class="mt-2 text-sm" role="status">
      {{ look ? 'Being taken in …' : 'Being looked at: a million results take half a minute …' }}
    </p>
    <label class="quiet mt-3 inline-block cursor-pointer focus-within:outline-2 focus-within:outline-teal"
      >Choose a bundle
      <input type="file" accept=".zip" class="sr-only" :disabled="busy" @change="choose" />
    </label>
    <div v-if="look && chosen" class="mt-3 grid max-w-160 gap-2 border-l-2 border-teal bg-teal-wash px-3 py-2 text-sm">
      <p class="font-semibold">{{ chosen.name }}</p>
      <ul>
        <li v-for="line in look.brings" :key="line">{{ line }}</li>
      </ul>
      <div v-if="look.leftOut.length > 0" class="needs">
        <p>Left out:</p>
        <ul>
          <li v-for="line in look.leftOut" :key="line">{{ line }}</li>
        </ul>
      </div>
      <p class="flex gap-4">
        <button type="button" class="press" :disabled="busy || !look.isNew" @click="takeIn">
          {{ look.isNew ? 'Take it in' : 'Nothing in it is new' }}
        </button>
        <button type="button" class="link" @click="leave">Leave it</button>
      </p>
    </div>
  </section>
</template>
