<script setup lang="ts">
import { decodeText } from '~~/core/exchange/files/decodeText'
import { headingKey } from '~~/core/exchange/files/readRecords'
import type { NamedTable } from '~~/core/exchange/files/readTable'
import { tableText } from '~~/core/exchange/files/tableText'
import { planPhraseImport, type PhraseImport } from '~~/core/exchange/lists/planPhraseImport'
import { writePhrasebook } from '~~/core/exchange/folder/phrasebookFile'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'
import { useSession } from '~/stores/session'

/** The phrasebook as a file, out and in. What a file would change is shown before anything is changed. */
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()
const session = useSession()
const { busy, problem, attempt } = useAttempt()
const plan = shallowRef<PhraseImport | null>(null)
const message = ref('')
const owner = computed(() => (classRecord.may.phrasebook ? null : (session.person?.id ?? null)))

function save(): void {
  const text = writePhrasebook({ phrases: phrasebook.phrases })
  saveFile('phrasebook.csv', new Blob([text], { type: 'text/csv;charset=utf-8' }))
}

function bring(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const [file] = input.files ?? []
  message.value = ''
  return attempt(async () => {
    plan.value = null
    if (!file) return
    const subjects = ['any', 'general', ...(classRecord.record?.subjects ?? []).map((subject) => subject.key)]
    const text = await phrasesIn(new Uint8Array(await file.arrayBuffer()))
    plan.value = planPhraseImport(text, phrasebook.phrases, subjects, owner.value)
    input.value = ''
  })
}

/** A text file as it is; of a workbook, the sheet that has phrases on it. */
async function phrasesIn(bytes: Uint8Array): Promise<string> {
  const { readSheets } = await import('~~/core/exchange/files/readSheets')
  const [first, ...others] = readSheets(bytes)
  if (!first || first.sheet === '') return decodeText(bytes)
  const hasPhrases = ({ table }: NamedTable): boolean =>
    ['part', 'text'].every((heading) => table.rows[0]?.cells.some((cell) => headingKey(cell) === heading))
  return tableText(([first, ...others].find(hasPhrases) ?? first).table)
}

function putIn(): Promise<void> {
  return attempt(async () => {
    const made = plan.value
    if (!made) return
    await phrasebook.write([...made.added, ...made.changed.map((each) => each.phrase)])
    message.value = `${made.added.length} put in, ${made.changed.length} changed. Undo takes all of it back.`
    plan.value = null
  })
}
</script>

<template>
  <section aria-label="Import and export" class="grid gap-4">
    <p class="flex items-center gap-4">
      <button type="button" class="quiet" @click="save">
        Save all {{ phrasebook.phrases.length }} phrases as a file</button
      ><span class="text-sm text-muted">CSV; a spreadsheet or text editor opens it</span>
    </p>
    <label class="grid gap-1 text-sm"
      >Bring a phrasebook file
      <input type="file" accept=".csv,.tsv,.txt,.xlsx,.ods,text/csv" :disabled="busy" @change="bring"
    /></label>
    <p class="text-sm text-muted">
      {{
        owner === null ? 'They become the school’s phrases.' : 'They become your own phrases; nobody else sees them.'
      }}
    </p>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-if="message" class="border-l-2 border-teal bg-teal-wash px-3 py-2" role="status">{{ message }}</p>
    <div v-if="plan" class="grid gap-3">
      <p>
        <b>{{ plan.added.length }}</b> new, <b>{{ plan.changed.length }}</b> changed,
        <b>{{ plan.unchanged }}</b> unchanged,
        <b :class="plan.doubtful.length > 0 ? 'text-needs' : ''">{{ plan.doubtful.length }}</b> doubtful
      </p>
      <ul v-if="plan.doubtful.length > 0" class="needs grid gap-1 text-sm">
        <li v-for="each in plan.doubtful.slice(0, 50)" :key="each.row">Row {{ each.row }}: {{ each.reason }}</li>
        <li v-if="plan.doubtful.length > 50">and {{ plan.doubtful.length - 50 }} more</li>
      </ul>
      <ul class="text-sm">
        <li
          v-for="each in plan.changed.slice(0, 20)"
          :key="each.phrase.id"
          class="border-b border-rule py-1 font-serif"
        >
          <del class="text-muted">{{ each.before.text }}</del> {{ each.phrase.text }}
        </li>
      </ul>
      <button
        v-if="plan.added.length + plan.changed.length > 0"
        type="button"
        class="press justify-self-start"
        :disabled="busy"
        @click="putIn"
      >
        Put in {{ plan.added.length }} new and {{ plan.changed.length }} changed phrases
      </button>
    </div>
  </section>
</template>
