<script setup lang="ts">
import { shortDay } from '~~/core/reports/longDate'
import { skillEvidence } from '~~/core/record/skillEvidence'
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
/** What questions show of the skill, over time. */
const points = computed(() => {
  const { index } = classRecord
  if (!index || props.kind !== 'skill' || !student.value || !props.about) return []
  return skillEvidence(index, student.value.id, props.about).results.map(({ work, percent, level }) => ({
    ...{ key: work.id, title: work.title, when: work.date ? shortDay(work.date) : '', percent },
    shown: `${Math.round(percent)} %${level ? `, ${level.symbol}` : ''}`,
  }))
})
/** What the gradebook itself knows: evidence beside a habit, and no verdict about it. */
const kept = computed(() => {
  const { index, record } = classRecord
  if (!index || !record || props.kind !== 'habit' || !student.value) return null
  const id = student.value.id
  const results = record.subjects.flatMap(({ key }) => index.resultsOf(id, key))
  const count = (state: string): number => results.filter((result) => result.state === state).length
  return { of: results.length, late: count('late'), missing: count('missing'), days: index.attendanceOf(id) }
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
    <p>
      <NuxtLink to="/student" class="link">All about {{ student?.usedName }}</NuxtLink>
    </p>
    <ValueHistory v-if="about && student" :of="kind" :student-id="student.id" :about="about" />
    <PointsChart
      v-if="points.length > 1"
      :name="`${title}: what questions of ${student?.usedName} show`"
      :points="points"
    />
    <p v-if="kept">
      Of {{ kept.of }} pieces of work {{ kept.late }} came late and {{ kept.missing }} are missing<template
        v-if="kept.days"
        >; late for school {{ kept.days.lates }} {{ kept.days.lates === 1 ? 'time' : 'times' }}</template
      >.
    </p>
    <SkillAnswers v-if="kind === 'skill' && about && student" :skill="about" :student-id="student.id" />
    <NoteList :first="about" />
    <StudentPractice />
    <StudentResults v-if="kind === 'skill'" />
  </div>
</template>
