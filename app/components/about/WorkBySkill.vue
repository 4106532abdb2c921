<script setup lang="ts">
import { percentText } from '~~/core/marks/rounding'
import { levelEvidence } from '~~/core/record/levelEvidence'
import { shortDay } from '~~/core/reports/longDate'
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'

/** What each piece of work shows of each skill: per cent of the points of its questions. */
const props = defineProps<{ student: Student; subject: string }>()
const classRecord = useClassRecord()
const isMeeting = useIsMeeting()

const skills = computed(() => {
  const { index, record } = classRecord
  if (!index || !record) return []
  return record.skills
    .filter((skill) => skill.subject === props.subject && !(isMeeting && skill.teacherOnly))
    .map((skill) => ({
      skill,
      results: levelEvidence(index, { studentId: props.student.id, kind: 'skill', about: skill.id }).results,
    }))
    .filter(({ results }) => results.length > 0)
})
const works = computed(() => {
  const shown = new Set(skills.value.flatMap(({ results }) => results.map(({ work }) => work.id)))
  return (classRecord.index?.workOf(props.subject) ?? []).filter(({ id }) => shown.has(id))
})
</script>

<template>
  <section v-if="skills.length > 0" aria-label="Work by skill" class="grid content-start gap-2">
    <h2 class="text-lg font-semibold">Work by skill</h2>
    <PlainTable>
      <template #heads>
        <th scope="col" class="py-1">Skill</th>
        <th v-for="work in works" :key="work.id" scope="col" class="px-2 text-right">
          {{ work.title }}<span class="block text-xs font-normal">{{ work.date ? shortDay(work.date) : '' }}</span>
        </th>
      </template>
      <tr v-for="{ skill, results } in skills" :key="skill.id" class="border-b border-rule">
        <th scope="row" class="py-1 pr-2 font-normal">{{ isMeeting ? skill.familyWords : skill.statement }}</th>
        <td v-for="work in works" :key="work.id" class="px-2 text-right">
          <template v-for="result in results" :key="result.work.id">
            <template v-if="result.work.id === work.id"
              >{{ percentText(result.percent) }}
              <span v-if="result.level" class="text-muted">{{ result.level.symbol }}</span></template
            >
          </template>
        </td>
      </tr>
    </PlainTable>
  </section>
</template>
