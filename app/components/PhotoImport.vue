<script setup lang="ts">
import type { PhotoToKeep } from '~~/contracts/evidence'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'
import type { BroughtPhoto } from '~/composables/photoFiles'

/** Photos of the class: many from a zip named by school number, or one by one; what would change is shown first. */
const classRecord = useClassRecord()
const settings = useSettings()
const { busy, problem, attempt } = useAttempt()
const isOpen = ref(false)
const brought = shallowRef<readonly BroughtPhoto[]>([])
const students = computed(() => classRecord.record?.students ?? [])
const may = computed(() => classRecord.may.photos)
/** Those that can be kept: of two of one child, the last. */
const wanted = computed(() => {
  const byChild = new Map(
    brought.value.flatMap((each) => (each.studentId && each.jpeg ? [[each.studentId, each]] : [])),
  )
  return [...byChild.values()]
})
const left = computed(() => brought.value.filter((each) => !wanted.value.includes(each)))
const nameOf = (id: string | null): string => {
  const student = students.value.find((each) => each.id === id)
  return student ? settings.nameOf(student) : ''
}

function bring(event: Event, studentId: string | null = null): Promise<void> {
  return attempt(async () => {
    const input = event.target as HTMLInputElement
    const files = [...(input.files ?? [])]
    input.value = ''
    if (files.length === 0) return
    const found = await photosIn(files, students.value)
    // One that is brought for a child is that child's, whatever it is called.
    const [one] = found
    brought.value = studentId !== null && one ? [{ ...one, studentId, problem: one.jpeg ? '' : one.problem }] : found
    if (found.length === 0) throw new Error('There is no picture in it.')
  })
}

const toKeep = (studentId: string, jpeg: string | null): PhotoToKeep => ({
  studentId,
  jpeg,
  was: students.value.find(({ id }) => id === studentId)?.photo ?? null,
})

function keep(): Promise<void> {
  return attempt(async () => {
    await classRecord.keepPhotos(wanted.value.map(({ studentId, jpeg }) => toKeep(studentId ?? '', jpeg)))
    brought.value = []
  })
}
function takeAway(studentId: string): Promise<void> {
  return attempt(() => classRecord.keepPhotos([toKeep(studentId, null)]))
}
</script>

<template>
  <details class="border-t border-rule pt-3" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="font-semibold">Photos of the class</summary>
    <div v-if="isOpen" class="mt-2 grid gap-3">
      <p class="text-sm text-muted">
        Seen by whoever teaches in this class, beside a child’s evidence. They are made small, and what the camera wrote
        into them, such as the place, is left out.
      </p>
      <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
      <label
        v-if="may"
        class="quiet cursor-pointer justify-self-start text-sm focus-within:outline-2 focus-within:outline-teal"
        >Choose pictures, or a zip of them named by school number
        <input type="file" multiple accept="image/*,.zip" class="sr-only" @change="bring($event)" />
      </label>
      <div v-if="brought.length > 0" class="grid gap-2 border-l-2 border-teal bg-teal-wash px-3 py-2 text-sm">
        <ul class="flex flex-wrap gap-3" aria-label="Photos that were brought">
          <li v-for="each in wanted" :key="each.name" class="w-20 text-center text-xs">
            <img :src="`data:image/jpeg;base64,${each.jpeg}`" alt="" class="mx-auto h-20 w-15 object-cover" />{{
              nameOf(each.studentId)
            }}
          </li>
        </ul>
        <ul v-if="left.length > 0" class="needs">
          <li v-for="each in left" :key="each.name">
            {{ each.name }}: {{ each.problem || `there is another of ${nameOf(each.studentId)}.` }}
          </li>
        </ul>
        <p class="flex gap-4">
          <button type="button" class="press" :disabled="busy || wanted.length === 0" @click="keep">
            Keep {{ wanted.length }} {{ wanted.length === 1 ? 'photo' : 'photos' }}
          </button>
          <button type="button" class="link" @click="brought = []">Leave them</button>
        </p>
      </div>
      <ul class="grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] gap-3 text-sm" aria-label="Children">
        <li v-for="student in students" :key="student.id" class="grid content-start justify-items-start gap-1">
          <StudentPhoto v-if="student.photo" :student="student" />
          <span v-else aria-hidden="true" class="h-16 w-12 rounded-sm border border-dashed border-edge"></span>
          <span>{{ settings.nameOf(student) }}</span>
          <span v-if="may" class="flex gap-3 text-xs">
            <label class="link cursor-pointer focus-within:outline-2 focus-within:outline-teal"
              >{{ student.photo ? 'Change' : 'Add' }}<span class="sr-only"> the photo of {{ student.usedName }}</span>
              <input type="file" accept="image/*" class="sr-only" @change="bring($event, student.id)" />
            </label>
            <button
              v-if="student.photo"
              type="button"
              class="link"
              :aria-label="`Take the photo of ${student.usedName} away`"
              @click="takeAway(student.id)"
            >
              Take away
            </button>
          </span>
        </li>
      </ul>
    </div>
  </details>
</template>
