<script setup lang="ts">
/** One step back, and one forth, through what somebody did in the class in view. */
const { undo, again, busy, problem, take } = useClassSteps()
const told = (kind: string, at: string): string => `${kind}, ${whenText(at)}`
</script>

<template>
  <button
    v-if="again"
    type="button"
    class="link text-sm"
    :disabled="busy"
    :title="told(again.kind.replace(/^undid: /, ''), again.at)"
    @click="take(again)"
  >
    Bring it back
  </button>
  <button
    v-if="undo"
    type="button"
    class="link max-w-40 truncate text-sm"
    :disabled="busy"
    :title="told(undo.kind || 'the last change', undo.at)"
    @click="take(undo)"
  >
    Undo<span v-if="undo.kind !== ''" class="hidden wide:inline">: {{ undo.kind }}</span>
  </button>
  <p v-if="problem" class="needs order-last basis-full" role="alert">{{ problem }}</p>
</template>
