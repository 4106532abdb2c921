<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** The class, always at the left; where there is no room for it, a sheet that is called by the chosen name. */
const classRecord = useClassRecord()
const settings = useSettings()
const { listFolded, sheet } = useFrame()
const chosen = computed(() => {
  const { student } = classRecord
  return student ? settings.nameOf(student) : 'Class list'
})
</script>

<template>
  <template v-if="listFolded">
    <Teleport defer to="#list-call">
      <button
        type="button"
        class="quiet"
        aria-keyshortcuts="Alt+L"
        :aria-label="`${chosen}: choose another student`"
        @click="sheet = 'list'"
      >
        {{ chosen }} <span aria-hidden="true">▾</span>
      </button>
    </Teleport>
    <SideSheet :open="sheet === 'list'" title="Class list" side="left" @close="sheet = null">
      <nav aria-label="Class list"><ClassNames @chosen="sheet = null" /></nav>
    </SideSheet>
  </template>
  <nav v-else aria-label="Class list" class="w-56 shrink-0 overflow-y-auto border-r border-rule">
    <ClassNames />
  </nav>
</template>
