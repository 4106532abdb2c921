<script setup lang="ts">
import type { Student } from '~~/core/record/roster'
import { takes } from '~~/core/record/takers'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'

/** All that is known of one student, on one page. */
const props = defineProps<{ student: Student }>()
const classRecord = useClassRecord()
const view = useView()
const withClass = ref(false)
// Whoever is turned to next is looked at alone again.
watch(
  () => props.student.id,
  () => (withClass.value = false),
)

const subject = computed(() => classRecord.subject)
const attendance = computed(() => classRecord.index?.attendanceOf(props.student.id))
const maySubject = computed(() => subject.value !== null && classRecord.may.subjects.includes(subject.value.key))
const notAbsent = computed(() => {
  const days = attendance.value
  return days ? `${days.daysOpen - days.absences} of ${days.daysOpen} days here` : ''
})
</script>

<template>
  <div v-if="subject" class="grid grid-cols-1 gap-x-10 gap-y-8 wide:grid-cols-2">
    <AboutMarks class="wide:col-span-2" :student="student" :chosen="subject.key" @choose="view.kept.subject = $event" />
    <p v-if="!takes(student, subject.key)" class="wide:col-span-2">
      {{ student.usedName }} does not take {{ subject.name }}.
    </p>
    <AboutLevels
      v-if="takes(student, subject.key)"
      :key="subject.key"
      :student="student"
      kind="skill"
      :subject="subject.key"
      :title="`Skills in ${subject.name}`"
      :may="maySubject"
    />
    <AboutResults v-if="takes(student, subject.key)" :student="student" :subject="subject" :with-class="withClass">
      <label class="flex items-center gap-2 text-sm"
        ><input v-model="withClass" type="checkbox" /> With the middle of the class</label
      >
    </AboutResults>
    <AboutWorkBySkill
      v-if="takes(student, subject.key)"
      class="wide:col-span-2"
      :student="student"
      :subject="subject.key"
    />
    <AboutLevels
      v-if="classRecord.record?.classRoom.group == null"
      :student="student"
      kind="habit"
      :subject="null"
      title="Habits"
      :may="classRecord.may.general"
    />
    <section aria-label="Attendance and notes" class="grid content-start gap-4">
      <h2 class="text-lg font-semibold">Attendance and notes</h2>
      <p v-if="attendance" class="text-sm">
        {{ notAbsent }}, late {{ attendance.lates }} {{ attendance.lates === 1 ? 'time' : 'times' }}
      </p>
      <p v-else class="text-sm text-muted">No attendance is in for this term.</p>
      <NoteList class="text-sm" />
      <StudentPractice />
    </section>
    <AboutComments class="wide:col-span-2" :student="student" />
  </div>
</template>
