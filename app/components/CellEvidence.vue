<script setup lang="ts">
import { percentText } from '~~/core/marks/rounding'
import { shortDay } from '~~/core/reports/longDate'
import { subjectsTaken } from '~~/core/record/takers'
import { levelEvidence } from '~~/core/record/levelEvidence'
import type { LevelKind } from '~~/core/record/termRecord'
import { strokesOf, type Level, type Scale } from '~~/core/scales/scale'
import { scaleOfLevel } from '~~/core/school/scaleOfLevel'
import { useClassRecord } from '~/stores/classRecord'

/** What is known about one student and one skill or habit, in order. */
const props = defineProps<{ kind: LevelKind; about: string | null }>()
const classRecord = useClassRecord()

const shown = useShown()
const student = computed(() => shown.value.student)
const title = computed(() => {
  const record = classRecord.record
  return props.kind === 'skill'
    ? (record?.skills.find((skill) => skill.id === props.about)?.statement ?? '')
    : (record?.habits.find((habit) => habit.key === props.about)?.name ?? '')
})
const evidence = computed(() => {
  const { index } = shown.value
  if (!index || !student.value || !props.about) return null
  return levelEvidence(index, { studentId: student.value.id, kind: props.kind, about: props.about })
})
const inDays = (day: string | null): string => (day ? shortDay(day) : '')
/** What questions show, over time, in per cent; where somebody saw levels along the way, all as levels. */
const points = computed(() => {
  const { results, ratings, seen } = evidence.value ?? { results: [], ratings: [], seen: [] }
  const { scale } = place.value
  if (ratings.length === 0 || !scale)
    return results.map(({ work, percent, level }) => ({
      key: work.id,
      title: work.title,
      when: inDays(work.date),
      percent,
      shown: `${percentText(percent)}${level ? `, ${level.symbol}` : ''}`,
    }))
  return seen.map(({ key, title, day, level }) => ({
    key,
    title: title || 'Seen along the way',
    when: inDays(day),
    percent: heightOf(scale, level),
    shown: `${level.symbol} ${level.name}`,
  }))
})
const place = computed(() =>
  classRecord.record
    ? scaleOfLevel(classRecord.record, { kind: props.kind, about: props.about ?? '' })
    : { scale: undefined },
)
/** How high a level stands in a chart: the lowest of its scale at 0, the highest at 100. */
function heightOf(scale: Scale, { symbol }: Level): number {
  const { filled, of } = strokesOf(scale, symbol) ?? { filled: 1, of: 1 }
  return of > 1 ? ((filled - 1) / (of - 1)) * 100 : 50
}
const ticks = computed(() => {
  const { scale } = place.value
  if (!scale || !evidence.value?.ratings.length) return undefined
  return scale.levels.map((level) => ({ percent: heightOf(scale, level), label: level.symbol }))
})
/** What the gradebook itself knows: evidence beside a habit, and no verdict about it. */
const kept = computed(() => {
  const { index } = shown.value
  const record = index?.record
  if (!index || !record || props.kind !== 'habit' || !student.value) return null
  const id = student.value.id
  const results = subjectsTaken(index, id).flatMap(({ key }) => index.resultsOf(id, key))
  const count = (state: string): number => results.filter((result) => result.state === state).length
  return { of: results.length, late: count('late'), missing: count('missing'), days: index.attendanceOf(id) }
})
const lastTerm = computed(() =>
  student.value && props.about ? shown.value.index?.levelBefore(student.value.id, props.kind, props.about) : undefined,
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
      :name="`${title}: what the work of ${student?.usedName} shows`"
      :points="points"
      :ticks="ticks"
    />
    <p v-if="evidence?.proposed && evidence.seen.length > 1">
      Most recent {{ evidence.mostRecent?.symbol }}, most often {{ evidence.mostFrequent?.symbol }}, proposed
      <i>{{ evidence.proposed.symbol }}</i> ({{ evidence.ratings.length > 0 ? 'most often' : 'from the per cent' }}).
    </p>
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
