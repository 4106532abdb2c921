<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import type { Finding } from '~~/core/checks/finding'
import type { DraftsAnswer } from '~~/contracts/answers'
import { teacherOf } from '~~/core/record/roster'
import { takes } from '~~/core/record/takers'
import { writePronouns } from '~~/core/people/pronouns'
import { askServer } from '~/composables/useApi'
import { pressed } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useSettings } from '~/stores/settings'

useHead({ title: 'Write · Facunda' })
const classRecord = useClassRecord()
const settings = useSettings()
const saving = useSaving()
const message = ref('')
const { busy, problem, attempt } = useAttempt()

const editor = useTemplateRef('editor')
const offered = useTemplateRef('offered')
const box = computed(() => classRecord.box)
const student = computed(() => classRecord.student)
const may = computed(() =>
  box.value?.subject == null ? classRecord.may.general : classRecord.may.subjects.includes(box.value.subject),
)
const isTaken = computed(() => student.value !== null && takes(student.value, box.value?.subject ?? null))
const { step, stepTitle } = useSteps()
async function goOn(by: 1 | -1): Promise<void> {
  await step(by)
  await nextTick()
  editor.value?.focus()
}
// Where there is no editor to have the focus, its keys lead on all the same.
useEventListener('keydown', (event) => {
  if (event.defaultPrevented || isTaken.value || !(pressed(event, 'nextStudent') || pressed(event, 'studentBefore')))
    return
  event.preventDefault()
  void goOn(pressed(event, 'nextStudent') ? 1 : -1)
})
/** Who writes here, for whoever may not. */
const writer = computed(() => {
  const { record } = classRecord
  if (!record) return ''
  return box.value?.subject == null ? record.classRoom.teacher : teacherOf(record, box.value.subject, student.value?.id)
})
const subjectName = computed(() => classRecord.record?.subjects.find(({ key }) => key === box.value?.subject)?.name)
const empty = computed(() =>
  classRecord.boxTakers.filter((each) => box.value && !classRecord.index?.commentOf(each.id, box.value.key)?.text),
)
const { findings, text, languageProblem } = useFindings(
  () => student.value,
  () => box.value,
)
/** That a box is empty, or out of step, is said above already. */
const shownFindings = computed(() =>
  findings.value.filter((finding) => !['empty', 'mark without comment', 'out of step'].includes(finding.check)),
)
/** The finding that was turned to last, and where that left the cursor. */
const turnedTo = shallowRef<{ finding: Finding; caret: number } | null>(null)
const keyOf = ({ check, start, end }: Finding): string => `${start} ${end} ${check}`
const inOrder = computed(() => shownFindings.value.toSorted((a, b) => a.start - b.start || a.end - b.end))
const atFinding = computed(() => {
  const last = turnedTo.value?.finding
  return last ? inOrder.value.findIndex((each) => keyOf(each) === keyOf(last)) : -1
})
/** What is said of it, for who does not see where it is. */
const toldFinding = computed(() => {
  const finding = inOrder.value[atFinding.value]
  return finding ? `${atFinding.value + 1} of ${inOrder.value.length}, ${finding.check}: ${finding.why}` : ''
})
/** The next finding, round to the first: after the one turned to last, or after the cursor where that was moved. */
function nextFinding(): void {
  const from = editor.value?.caret() ?? 0
  const isThere = atFinding.value >= 0 && turnedTo.value?.caret === from
  const next = isThere
    ? inOrder.value[atFinding.value + 1]
    : inOrder.value.find((finding) => finding.start >= from && finding.end > finding.start)
  const finding = next ?? inOrder.value[0]
  if (!finding) return
  editor.value?.show(finding)
  turnedTo.value = { finding, caret: editor.value?.caret() ?? 0 }
}

function onKey(event: KeyboardEvent): void {
  if (pressed(event, 'nextFinding')) nextFinding()
  else if (!offered.value?.takeByKey(event)) return
  event.preventDefault()
}

watch([box, student], () => {
  message.value = ''
  turnedTo.value = null
})

function draftEmpty(): Promise<void> {
  return attempt(async () => {
    // What is typed is saved first, and only boxes that are empty here too are asked for.
    await saving.flush()
    const answer = await askServer<DraftsAnswer>('POST', `${classRecord.place}/drafts`, {
      box: box.value?.key,
      where: 'empty',
      students: empty.value.map((each) => each.id),
    })
    if (answer.event !== null) saving.did(answer.event, answer.version)
    classRecord.putComments(answer.comments)
    if (answer.writtenMeanwhile.length > 0) await classRecord.load()
    const meanwhile = answer.writtenMeanwhile.flatMap((id) => classRecord.index?.student(id)?.usedName ?? [])
    const without = answer.withoutFacts.flatMap((id) => classRecord.index?.student(id)?.usedName ?? [])
    message.value =
      `${answer.comments.length} drafted.` +
      (meanwhile.length > 0 ? ` ${meanwhile.join(', ')}: written meanwhile by somebody, and left as it is.` : '') +
      (without.length > 0 ? ` Nothing could be said yet of ${without.join(', ')}: settle a mark or level first.` : '')
  })
}
</script>

<template>
  <div v-if="box && student" class="grid grid-cols-1 gap-4 p-3 middle:p-5" @keydown="onKey">
    <BoxChooser />
    <div class="flex flex-wrap items-baseline gap-x-3 gap-y-1">
      <h1 class="text-xl font-semibold">{{ settings.nameOf(student) }}</h1>
      <span class="text-sm text-muted">{{ writePronouns(student.pronouns) }}</span>
      <NuxtLink to="/phrasebook" class="link text-sm">Phrasebook</NuxtLink>
      <button v-if="may && empty.length > 0" type="button" class="press ml-auto" :disabled="busy" @click="draftEmpty">
        Draft the {{ empty.length }} empty {{ empty.length === 1 ? 'box' : 'boxes' }}
      </button>
    </div>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-if="message" class="border-l-2 border-teal bg-teal-wash px-3 py-2" role="status">{{ message }}</p>
    <div v-if="!isTaken" class="flex flex-wrap items-center gap-3 border-l-2 border-rule px-3 py-2">
      <p class="min-w-60 flex-1">
        {{ student.usedName }} does not take {{ subjectName }}: nothing is owed here, and nothing of it is printed.
      </p>
      <p class="flex gap-3">
        <button type="button" class="quiet" @click="goOn(-1)">{{ stepTitle(-1) }}</button>
        <button type="button" class="quiet" @click="goOn(1)">{{ stepTitle(1) }}</button>
      </p>
    </div>
    <p v-else-if="!may && !classRecord.may.locked" class="text-muted">
      {{ writer ? `${writer} writes this comment` : 'Nobody is named yet who writes this comment' }}; you can read it.
    </p>
    <OutOfStep v-if="isTaken" :student="student" :box="box" :may="may" />
    <CommentEditor
      v-if="isTaken || text !== ''"
      ref="editor"
      :student="student"
      :described-by="shownFindings.length > 0 ? 'findings-here' : undefined"
      :box="box"
      :may="may && isTaken"
    />
    <section v-if="shownFindings.length > 0" aria-label="Findings">
      <h2 id="findings-here" class="small-head mb-2">
        {{ shownFindings.length }} {{ shownFindings.length === 1 ? 'thing' : 'things' }} to look at
      </h2>
      <FindingList
        :student="student"
        :box="box"
        :findings="shownFindings"
        :text="text"
        :may="may"
        :turned-to="inOrder[atFinding]"
        @show="editor?.show($event)"
      />
      <p class="sr-only" role="status">{{ toldFinding }}</p>
    </section>
    <OfferedSentences v-if="may && isTaken" ref="offered" :student="student" :box="box" />
    <p v-if="languageProblem" class="text-sm text-muted">{{ languageProblem }} The other checks go on.</p>
    <MarginPanel :title="`About ${student.usedName}`">
      <StudentEvidence v-if="isTaken" :box="box" />
      <NuxtLink v-else to="/student" class="link">All about {{ student.usedName }}</NuxtLink>
    </MarginPanel>
  </div>
</template>
