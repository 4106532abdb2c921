<script setup lang="ts">
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/**
 * The names of the class, always in the same order, or of all the classes that one teaches; one stop for the keyboard,
 * with arrows inside.
 */
const emit = defineEmits<{ chosen: [] }>()
const classRecord = useClassRecord()
const settings = useSettings()
const list = useTemplateRef('list')
const { goTo } = useSteps()
const { all, onlyOpen, canBe, classes, problem } = useOneList()

/** What is listed: the class in view under no heading, or every class under its name. */
const rooms = computed(() => {
  const { record } = classRecord
  if (all.value && classes.value.length > 0) return classes.value
  const children = (record?.students ?? []).map(({ id, usedName, family }) => ({
    id,
    usedName,
    family,
    progress: classRecord.progress.get(id),
  }))
  return record ? [{ id: record.classRoom.id, name: '', open: 0, children }] : []
})
const names = computed(() => rooms.value.flatMap(({ id: room, children }) => children.map(({ id }) => ({ room, id }))))
/** A child can be in two groups, so a name is known by both. */
const isChosen = (room: string, id: string): boolean =>
  id === classRecord.student?.id && room === classRecord.record?.classRoom.id
/** The name at hand, or the first where it is not listed. */
const stop = computed(() => names.value.find(({ room, id }) => isChosen(room, id)) ?? names.value[0])

const steps: Record<string, (at: number, last: number) => number> = {
  ArrowDown: (at, last) => Math.min(last, at + 1),
  ArrowUp: (at) => Math.max(0, at - 1),
  Home: () => 0,
  End: (_at, last) => last,
}

async function onKey(event: KeyboardEvent): Promise<void> {
  const step = steps[event.key]
  if (!step || names.value.length === 0) return
  event.preventDefault()
  const at = names.value.findIndex(({ room, id }) => isChosen(room, id))
  const next = names.value[step(at, names.value.length - 1)]
  if (next) await goTo(next.room, next.id)
  await nextTick()
  list.value?.querySelector<HTMLElement>('[aria-current="true"]')?.focus()
}

async function choose(room: string, id: string): Promise<void> {
  await goTo(room, id)
  emit('chosen')
}
</script>

<template>
  <div v-if="canBe" class="grid gap-1 border-b border-rule px-3 py-1.5 text-sm">
    <label class="flex items-center gap-1.5"><input v-model="all" type="checkbox" /> all my classes</label>
    <label v-if="all" class="flex items-center gap-1.5"
      ><input v-model="onlyOpen" type="checkbox" /> only with work left here</label
    >
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
  </div>
  <div ref="list" class="py-1" @keydown="onKey">
    <section v-for="room in rooms" :key="room.id" :aria-label="room.name || undefined">
      <h2 v-if="room.name" class="flex px-3 pt-2 pb-0.5 text-sm font-semibold text-muted">
        <span class="flex-1">{{ room.name }}</span><span>{{ room.open > 0 ? `${room.open} left` : 'done' }}</span>
      </h2>
      <ul>
        <ClassName
          v-for="each in room.children"
          :key="each.id"
          :name="settings.nameOf(each)"
          :chosen="isChosen(room.id, each.id)"
          :stop="stop?.id === each.id && stop.room === room.id"
          :progress="each.progress"
          @choose="choose(room.id, each.id)"
        />
      </ul>
    </section>
    <p v-if="rooms.length > 0 && names.length === 0" class="px-3 py-2 text-sm text-muted">
      With nobody is anything left here.
      <button type="button" class="link" @click="onlyOpen = false">Show all</button>
    </p>
  </div>
</template>
