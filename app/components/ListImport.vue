<script setup lang="ts">
import type { RefusedRow } from '~~/core/exchange/lists/readList'
import type { NamedTable } from '~~/core/exchange/files/readTable'
import { tableText } from '~~/core/exchange/files/tableText'

/**
 * Where lists come in, of whatever kind: pasted from a spreadsheet, or from a workbook or a CSV file; what it would do
 * is told before it is done, and it is done whole.
 */
const props = defineProps<{
  title: string
  /** Which columns are known, in words. */
  columns: string
  /** What each is called: "skill", "skills". */
  words: readonly [one: string, many: string]
  /** Whether it stands open from the beginning. */
  open?: boolean
  /** A list that was brought elsewhere; each time anew, so that the same can come twice. */
  given?: { readonly text: string } | null
  /** What the list would do. @throws Error in words for whoever brought it */
  plan: (text: string) => {
    added: number
    changed: number
    unchanged: number
    refused: readonly RefusedRow[]
    /** Headings that nobody knows. */
    unknown: readonly string[]
    notes: readonly string[]
    /** A line for each that is new or changed. */
    lines: readonly string[]
    take: () => Promise<void>
  }
}>()
const { busy, problem, attempt } = useAttempt()
const id = useId()
const written = ref('')
/** Those of the workbook that was brought. */
const sheets = shallowRef<readonly NamedTable[]>([])
/** What is not shown is not there: nobody stumbles over it with the keyboard. */
const isOpen = ref(props.open)
const door = useTemplateRef('door')
watch(
  () => props.given,
  async (given) => {
    if (!given) return
    sheets.value = []
    written.value = given.text
    isOpen.value = true
    await nextTick()
    door.value?.scrollIntoView({ block: 'start' })
    door.value?.querySelector('textarea')?.focus()
  },
  { immediate: true },
)

const read = computed(() => {
  if (written.value.trim() === '') return null
  try {
    return { plan: props.plan(written.value), wrong: '' }
  } catch (error) {
    return { plan: null, wrong: error instanceof Error ? error.message : String(error) }
  }
})
useUnsaved(() => (read.value?.plan ? read.value.plan.added + read.value.plan.changed > 0 : read.value !== null))
const count = (number: number): string => `${number} ${props.words[number === 1 ? 0 : 1]}`

function turn(event: Event): void {
  isOpen.value = (event.target as HTMLDetailsElement).open
}

function bring(event: Event): Promise<void> {
  return attempt(async () => {
    const input = event.target as HTMLInputElement
    const [file] = input.files ?? []
    if (file) {
      // Reading workbooks is fetched when somebody brings one.
      const { readSheets } = await import('~~/core/exchange/files/readSheets')
      sheets.value = readSheets(new Uint8Array(await file.arrayBuffer()))
      showSheet(0)
    }
    input.value = ''
  })
}

function showSheet(nth: number): void {
  const found = sheets.value[nth]
  if (found) written.value = tableText(found.table)
}

function take(): Promise<void> {
  return attempt(async () => {
    await read.value?.plan?.take()
    written.value = ''
    sheets.value = []
  })
}
</script>

<template>
  <details ref="door" class="border-t border-rule pt-3" :open="isOpen" @toggle="turn">
    <summary class="font-semibold">{{ title }}</summary>
    <form v-if="isOpen" class="mt-2 grid gap-2" data-keeps @submit.prevent="take">
      <p :id="`${id}-help`" class="text-sm text-muted">
        Paste a list, one {{ words[0] }} a line, or columns with headings from a spreadsheet ({{ columns }}), or choose
        a file (CSV, XLSX, ODS or a OneRoster bundle). Nothing changes before you have seen what it would do.
      </p>
      <textarea
        v-model="written"
        class="field font-mono text-sm"
        rows="4"
        :aria-label="title"
        :aria-describedby="`${id}-help`"
      ></textarea>
      <label class="quiet cursor-pointer justify-self-start text-sm focus-within:outline-2 focus-within:outline-teal">
        Choose a file
        <input type="file" accept=".csv,.tsv,.txt,.xlsx,.ods,.zip,text/csv" class="sr-only" @change="bring" />
      </label>
      <label v-if="sheets.length > 1" class="flex items-center gap-2 text-sm"
        >Sheet
        <select class="field" @change="showSheet(Number(valueOf($event)))">
          <option v-for="({ sheet }, nth) in sheets" :key="sheet" :value="nth">{{ sheet }}</option>
        </select></label
      >
      <slot></slot>
      <p v-if="problem || read?.wrong" class="needs" role="alert">{{ problem || read?.wrong }}</p>
      <template v-if="read?.plan">
        <div role="status" class="grid gap-1 border-l-2 border-teal bg-teal-wash px-3 py-2 text-sm">
          <p>
            {{ count(read.plan.added) }} new, {{ read.plan.changed }} changed, {{ read.plan.unchanged }} as they are,
            {{ read.plan.refused.length }} refused.
          </p>
          <p v-if="read.plan.unknown.length > 0">
            Left out, since nobody knows the {{ read.plan.unknown.length === 1 ? 'column' : 'columns' }}:
            {{ read.plan.unknown.join(', ') }}.
          </p>
          <p v-for="note in read.plan.notes" :key="note">{{ note }}</p>
        </div>
        <ul v-if="read.plan.refused.length > 0" class="needs text-sm">
          <li v-for="each in read.plan.refused" :key="each.row">Row {{ each.row }}: {{ each.reason }}</li>
        </ul>
        <ul class="max-h-60 overflow-y-auto text-sm" tabindex="0" :aria-label="`What ${title} would bring`">
          <li v-for="(line, at) in read.plan.lines" :key="at" class="border-b border-rule py-0.5">{{ line }}</li>
        </ul>
        <button
          type="submit"
          class="press justify-self-start"
          :disabled="busy || read.plan.added + read.plan.changed === 0"
        >
          {{
            read.plan.added + read.plan.changed === 0
              ? read.plan.refused.length > 0 && read.plan.unchanged === 0
                ? 'None of it can be taken'
                : 'Nothing in it is new'
              : `Take ${count(read.plan.added + read.plan.changed)} in`
          }}
        </button>
      </template>
    </form>
  </details>
</template>
