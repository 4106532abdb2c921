<script setup lang="ts">
import { useSaving } from '~/stores/saving'

/** Takes back what was done last, or brings it back. */
const props = defineProps<{
  /** Shows things as they stand afterwards. */
  show: () => Promise<void>
}>()
const saving = useSaving()
const { busy, problem, attempt } = useAttempt()

function undo(): Promise<void> {
  return attempt(async () => {
    await saving.undoLast()
    await props.show()
  })
}
</script>

<template>
  <button v-if="saving.lastEvent !== null" type="button" class="link text-sm" :disabled="busy" @click="undo">
    {{ saving.lastWasUndo ? 'Bring it back' : 'Undo' }}
  </button>
  <p v-if="problem" class="needs order-last basis-full" role="alert">{{ problem }}</p>
</template>
