<script setup lang="ts">
import type { CommentBox } from '~~/core/narrative/plan'
import { markProposal } from '~~/core/record/markProposal'
import { subjectsTaken } from '~~/core/record/takers'
import { findLevel, strokesOf } from '~~/core/scales/scale'
import { useClassRecord } from '~/stores/classRecord'

/** What a comment rests on: marks, levels, habits, attendance, notes, last term's words. One student's, said so. */
const props = defineProps<{ box: CommentBox }>()
const classRecord = useClassRecord()
const { markShown, besideMark } = useMarks()

const student = computed(() => classRecord.student)
const marks = computed(() => {
  const { index, record } = classRecord
  const id = student.value?.id
  if (!index || !record || !id) return []
  return subjectsTaken(index, id)
    .filter((subject) => props.box.subject === null || subject.key === props.box.subject)
    .map((subject) => ({ subject, proposal: markProposal(index, id, subject.key) }))
})
const levels = computed(() => {
  const { index, record } = classRecord
  if (!index || !record || !student.value) return []
  const skills = record.skills
    .filter((skill) => skill.subject === props.box.subject)
    .map((skill) => ({
      kind: 'skill' as const,
      about: skill.id,
      title: skill.statement,
      scaleKey: record.subjects.find((subject) => subject.key === skill.subject)?.skillScale ?? '',
    }))
  const habits =
    props.box.subject === null
      ? record.habits.map((habit) => ({
          kind: 'habit' as const,
          about: habit.key,
          title: habit.name,
          scaleKey: habit.scale,
        }))
      : []
  return [...skills, ...habits].map(({ kind, about, title, scaleKey }) => {
    const scale = index.scale(scaleKey)
    const symbol = index.levelOf(student.value?.id ?? '', kind, about)
    return {
      about,
      title,
      symbol,
      strokes: scale && symbol && findLevel(scale, symbol) ? strokesOf(scale, symbol) : null,
    }
  })
})
const days = computed(() => (student.value ? classRecord.index?.attendanceOf(student.value.id) : undefined))
const before = computed(() =>
  classRecord.record?.earlier[0]?.comments.find(
    (comment) => comment.studentId === student.value?.id && comment.box === props.box.key,
  ),
)
</script>

<template>
  <div class="grid gap-4 text-sm">
    <StudentPhoto v-if="student" :student="student" />
    <ul>
      <li v-for="{ subject, proposal } in marks" :key="subject.key" class="flex gap-2 py-0.5">
        <span class="flex-1">{{ subject.name }}</span>
        <b v-if="proposal.settled" class="font-semibold"
          >{{ proposal.settled.special ?? markShown(proposal.settled.percent, subject.key) }}
          {{ besideMark(proposal.settledLevel?.symbol) }}</b
        >
        <span v-else class="text-needs">not settled</span>
      </li>
    </ul>
    <ul>
      <li v-for="each in levels" :key="each.about" class="flex items-center gap-2 py-0.5">
        <span class="flex-1">{{ each.title }}</span><InkStrokes v-if="each.strokes" v-bind="each.strokes" /><b
          class="w-5 text-right font-semibold"
          >{{ each.symbol ?? '—' }}</b
        >
      </li>
    </ul>
    <p v-if="days">
      Absent {{ days.absences }} of {{ days.daysOpen }} days, late {{ days.lates }}
      {{ days.lates === 1 ? 'time' : 'times' }}
    </p>
    <StudentPractice />
    <NoteList />
    <BecauseList :box="box.key" />
    <div v-if="before">
      <p class="small-head">{{ classRecord.record?.earlier[0]?.term.name }}</p>
      <p class="font-serif">{{ before.text }}</p>
    </div>
    <StudentResults v-if="box.subject !== null && box.subject === classRecord.subject?.key" />
  </div>
</template>
