<script setup lang="ts">
import type { LevelKind } from '~~/core/record/termRecord'
import { useClassRecord } from '~/stores/classRecord'

/** What is known about one student and one skill or habit, in order. */
const props = defineProps<{ kind: LevelKind; about: string | null }>()
const classRecord = useClassRecord()

const student = computed(() => classRecord.student)
const title = computed(() => {
  const record = classRecord.record
  return props.kind === 'skill'
    ? (record?.skills.find((skill) => skill.id === props.about)?.statement ?? '')
    : (record?.habits.find((habit) => habit.key === props.about)?.name ?? '')
})
const lastTerm = computed(() =>
  student.value && props.about ? classRecord.index?.levelBefore(student.value.id, props.kind, props.about) : undefined,
)
</script>

<template>
  <div class="grid gap-4 text-sm">
    <StudentPhoto v-if="student" :student="student" />
    <p class="font-semibold">
      {{ student?.usedName }}<template v-if="title">: {{ title }}</template>
    </p>
    <p v-if="classRecord.record?.earlier[0]">
      {{ classRecord.record.earlier[0].term.name }}: {{ lastTerm ?? 'not rated' }}
    </p>
    <ValueHistory v-if="about && student" :of="kind" :student-id="student.id" :about="about" />
    <SkillAnswers v-if="kind === 'skill' && about && student" :skill="about" :student-id="student.id" />
    <NoteList :first="about" />
    <StudentPractice />
    <StudentResults v-if="kind === 'skill'" />
  </div>
</template>
