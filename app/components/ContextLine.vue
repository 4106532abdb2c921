<script setup lang="ts">
import { longDate } from '~~/core/reports/longDate'
import { howSoon, isDueSoon, nextDue } from '~~/core/terms/due'
import { lockWarning } from '~~/core/terms/lock'
import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'
import { useSettings } from '~/stores/settings'

/** Whose data this is, always, and the way to another class, subject (or comment box) or term. */
const props = defineProps<{ /** Who has just changed something here. */ others: readonly string[] }>()
const classRecord = useClassRecord()
const settings = useSettings()
const view = useView()
const route = useRoute()
const { listFolded, marginFolded, sheet } = useFrame()

const student = computed(() => classRecord.student && settings.nameOf(classRecord.student))
/** Write and Read are about a comment box, the other stages about a subject; Send is about the whole report. */
const about = computed(() =>
  ['/write', '/read', '/phrasebook'].includes(route.path) ? 'box' : route.path === '/send' ? 'report' : 'subject',
)
const due = computed(() => {
  const answer = classRecord.answer
  if (!answer) return ''
  const { what, days } = nextDue(answer.record.term, answer.today)
  const named = what === 'comments' ? 'Comments' : 'Progress reports'
  const locks = lockWarning(answer.record.term, answer.today)
  const said = days > 0 ? `${named} due ${howSoon(days)}` : `${named} ${days < 0 ? 'were' : 'are'} due ${howSoon(days)}`
  return locks ? `${said}; the term ${locks}` : said
})
/** What a lock leaves: nothing, or what was opened again. */
const lock = computed(() => {
  const { locked, reopened } = classRecord.may
  if (locked !== null || reopened.length === 0) return locked
  const named = reopened.map(({ subject, until }) => {
    const what = subject === null ? 'all of it' : classRecord.record?.subjects.find(({ key }) => key === subject)?.name
    return `${what ?? subject} open until ${longDate(until)}`
  })
  return `Locked; ${named.join(', ')}`
})
const isSoon = computed(() => {
  const answer = classRecord.answer
  return answer !== null && isDueSoon(nextDue(answer.record.term, answer.today).days)
})

async function go(part: Partial<typeof view.kept>): Promise<void> {
  Object.assign(view.kept, part)
  await classRecord.load()
}

function chosen(event: Event): string {
  return (event.target as HTMLSelectElement).value
}
</script>

<template>
  <section
    v-if="view.desk && classRecord.record"
    aria-label="In view"
    class="flex min-h-10 shrink-0 flex-wrap items-center gap-x-2 gap-y-1 border-b border-rule px-4 py-1 text-sm"
  >
    <label class="sr-only" for="class-in-view">Class</label>
    <select
      id="class-in-view"
      class="max-w-44 bg-paper font-semibold"
      :value="view.kept.classId"
      @change="go({ classId: chosen($event), studentId: null })"
    >
      <option v-for="each in view.desk.classes" :key="each.id" :value="each.id">{{ each.name }}</option>
    </select>
    <span aria-hidden="true" class="text-muted">·</span>
    <template v-if="about === 'subject'">
      <label class="sr-only" for="subject-in-view">Subject</label>
      <select
        id="subject-in-view"
        class="max-w-44 bg-paper"
        :value="classRecord.subject?.key"
        @change="view.kept.subject = chosen($event)"
      >
        <option v-for="each in classRecord.record.subjects" :key="each.key" :value="each.key">{{ each.name }}</option>
      </select>
    </template>
    <template v-else-if="about === 'box'">
      <label class="sr-only" for="box-in-view">Comment box</label>
      <select
        id="box-in-view"
        class="max-w-44 bg-paper"
        :value="classRecord.box?.key"
        @change="classRecord.chooseBox(chosen($event))"
      >
        <option v-for="each in classRecord.record.boxes" :key="each.key" :value="each.key">{{ each.name }}</option>
      </select>
    </template>
    <span v-else>all subjects</span>
    <span aria-hidden="true" class="text-muted">·</span>
    <label class="sr-only" for="term-in-view">Term</label>
    <select
      id="term-in-view"
      class="max-w-44 bg-paper"
      :value="view.kept.termId"
      @change="go({ termId: chosen($event) })"
    >
      <option v-for="each in view.desk.terms" :key="each.id" :value="each.id">{{ each.name }} {{ each.year }}</option>
    </select>
    <span aria-hidden="true" class="text-muted">·</span>
    <span v-if="listFolded" id="list-call" />
    <span v-else>{{ student }}</span>
    <span v-if="props.others.length > 0" class="ml-auto text-teal" aria-hidden="true"
      >changed by {{ props.others.join(', ') }}</span
    >
    <span v-else class="ml-auto" :class="lock || isSoon ? 'text-needs' : 'text-muted'">{{ lock ?? due }}</span>
    <button type="button" class="quiet" aria-keyshortcuts="Control+K" title="Ctrl K" @click="sheet = 'go to'">
      Go to
    </button>
    <button
      type="button"
      class="quiet hidden middle:block"
      aria-label="Keys"
      aria-keyshortcuts="?"
      title="?"
      @click="sheet = 'keys'"
    >
      ?
    </button>
    <button
      v-if="classRecord.may.notes"
      type="button"
      class="quiet"
      aria-keyshortcuts="Alt+J"
      title="Alt J"
      @click="sheet = 'note'"
    >
      Note
    </button>
    <span v-if="marginFolded" id="margin-call" />
  </section>
</template>
