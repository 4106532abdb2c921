<script setup lang="ts">
import { checkComment } from '~~/core/checks/checkComment'
import { markProposal } from '~~/core/record/markProposal'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'
import { useSettings } from '~/stores/settings'

useHead({ title: 'Read · Facunda' })
const classRecord = useClassRecord()
const settings = useSettings()
const { markShown, besideMark } = useMarks()
const view = useView()
const { listFolded } = useFrame()

const box = computed(() => classRecord.box)
const rows = computed(() => {
  const { index, record } = classRecord
  const now = box.value
  if (!index || !record || !now) return []
  return classRecord.boxTakers.map((student) => {
    const comment = index.commentOf(student.id, now.key)
    return {
      student,
      comment,
      findings: checkComment(index, student, now),
      mark: now.subject === null ? null : markProposal(index, student.id, now.subject),
    }
  })
})
const withFindings = computed(() => rows.value.filter((row) => row.findings.length > 0))
const may = computed(() =>
  box.value?.subject == null ? classRecord.may.general : classRecord.may.subjects.includes(box.value.subject),
)
const { findings, text, languageProblem } = useFindings(
  () => classRecord.student,
  () => box.value,
)
const current = computed(() => rows.value.find((row) => row.student.id === classRecord.student?.id))

// Who is chosen in the class list is brought into view.
const table = useTemplateRef('table')
watch(
  () => [current.value?.student.id, box.value?.key],
  async () => {
    await nextTick()
    table.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' })
  },
  { immediate: true, flush: 'post' },
)

/** On to the next student, round to the first, with whom something was found. */
function nextToLookAt(): void {
  const from = rows.value.findIndex((row) => row.student.id === classRecord.student?.id)
  const next = [...rows.value.slice(from + 1), ...rows.value.slice(0, from + 1)].find((row) => row.findings.length > 0)
  if (next) view.kept.studentId = next.student.id
}

/** Turns to the box of a subject, or to one that belongs to none. */
function turnTo(subject: string | null): void {
  const found = classRecord.record?.boxes.find((each) => each.subject === subject)
  if (found) classRecord.chooseBox(found.key)
}

async function write(studentId: string): Promise<void> {
  view.kept.studentId = studentId
  await navigateTo('/write')
}
</script>

<template>
  <div v-if="box" class="grid grid-cols-1 gap-4 p-3 middle:p-5">
    <BoxChooser />
    <h1 class="sr-only">Read {{ box.name }}</h1>
    <p>
      <b>{{ rows.filter((row) => row.comment?.status === 'finished').length }}</b> of {{ rows.length }} finished,
      <b :class="withFindings.length > 0 ? 'text-needs' : ''">{{ withFindings.length }}</b> with something to look at
      <button v-if="withFindings.length > 0" type="button" class="link ml-3 text-sm" @click="nextToLookAt">
        Next to look at
      </button>
    </p>
    <SignOffs :subject="box.subject" :may="may" @turn="turnTo" />
    <table ref="table" class="w-full table-fixed">
      <thead>
        <tr class="border-b border-edge text-sm text-muted">
          <th scope="col" class="py-1" :class="listFolded ? '' : 'w-32'">Student</th>
          <th v-if="box.subject" scope="col" class="w-18">Mark</th>
          <th v-if="!listFolded" scope="col">{{ box.name }}</th>
          <th scope="col" class="w-24">State</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="{ student, comment, findings: found, mark } in rows" :key="student.id">
          <tr
            :aria-current="student.id === classRecord.student?.id ? 'true' : undefined"
            class="scroll-my-4 border-rule align-top"
            :class="[student.id === classRecord.student?.id ? 'bg-teal-wash' : '', listFolded ? '' : 'border-b']"
            @click="view.kept.studentId = student.id"
          >
            <th scope="row" class="py-2 pr-2">
              {{ settings.nameOf(student) }}
            </th>
            <td v-if="box.subject" class="py-2">
              {{ mark?.settled?.special ?? markShown(mark?.settled?.percent, box.subject) }}
              {{ besideMark(mark?.settledLevel?.symbol) }}
            </td>
            <td v-if="!listFolded" class="py-2 pr-4 font-serif text-[0.875rem]/normal">
              <MarkedText :text="comment?.text ?? ''" :findings="found" />
            </td>
            <td class="py-2 text-sm">
              <p>{{ comment?.text ? comment.status : 'not begun' }}</p>
              <p v-for="(finding, at) in found" :key="at" class="text-needs">{{ finding.check }}</p>
              <button
                type="button"
                class="link"
                :aria-label="`Write ${box.name} of ${student.usedName}`"
                @click.stop="write(student.id)"
              >
                Write
              </button>
            </td>
          </tr>
          <tr
            v-if="listFolded"
            class="border-b border-rule"
            :class="student.id === classRecord.student?.id ? 'bg-teal-wash' : ''"
          >
            <td :colspan="box.subject ? 3 : 2" class="pb-3 font-serif text-[0.875rem]/normal">
              <MarkedText :text="comment?.text ?? ''" :findings="found" />
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <MarginPanel title="Findings">
      <div v-if="current" class="grid gap-3 text-sm">
        <p class="font-semibold">{{ current.student.usedName }}, {{ box.name }}</p>
        <p v-if="findings.length === 0">Nothing was found by the checks. Read it yourself all the same.</p>
        <FindingList
          :student="current.student"
          :box="box"
          :findings="findings"
          :text="text"
          :may="may"
          @show="write(current.student.id)"
        />
        <p v-if="languageProblem" class="text-muted">{{ languageProblem }} The other checks go on.</p>
      </div>
    </MarginPanel>
  </div>
</template>
