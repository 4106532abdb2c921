<script setup lang="ts">
import { classTables } from '~~/core/exchange/lists/classTables'
import { writeBundle } from '~~/core/exchange/oneroster/writeBundle'
import { bookOfTables } from '~~/core/exchange/files/workbook/bookOfTables'
import { writeCsv } from '~~/core/exchange/files/writeCsv'
import type { RegisterDay } from '~~/core/record/register'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'

/** All that came in about the class, in open formats: as far as whoever takes it out may see it. */
const classRecord = useClassRecord()
const { busy, problem, attempt } = useAttempt()
/** What is not shown is not there: nobody stumbles over it with the keyboard. */
const isOpen = ref(false)
const called = computed(() => {
  const { record } = classRecord
  return record ? `${record.classRoom.name} ${record.term.name} ${record.term.year}`.replace(/[/\\:]/g, '-') : ''
})

const registerRows = (): Promise<RegisterDay[]> => askServer('GET', `${classRecord.place}/register`)

async function zipped(files: Iterable<readonly [string, string]>): Promise<Blob> {
  const { strToU8, zipSync } = await import('fflate')
  const packed = zipSync(Object.fromEntries([...files].map(([name, text]) => [name, strToU8(text)])))
  return new Blob([new Uint8Array(packed)], { type: 'application/zip' })
}

const ways = {
  workbook: {
    title: 'A workbook (XLSX)',
    take: async () => {
      const { index } = classRecord
      if (!index) return
      const { default: writeWorkbook } = await import('write-excel-file/browser')
      saveFile(
        `${called.value}.xlsx`,
        await writeWorkbook(bookOfTables(classTables(index, await registerRows()))).toBlob(),
      )
    },
  },
  csv: {
    title: 'CSV files',
    take: async () => {
      const { index } = classRecord
      if (!index) return
      const files = classTables(index, await registerRows()).map(({ name, rows }) => {
        // Spreadsheet programs take a file for UTF-8 when it begins with the mark.
        return [`${name.replace(/[/\\:]/g, '-')}.csv`, `\ufeff${writeCsv(rows)}`] as const
      })
      saveFile(`${called.value}.zip`, await zipped(files))
    },
  },
  bundle: {
    title: 'A OneRoster bundle',
    take: async () => {
      const { index } = classRecord
      if (index) saveFile(`${called.value} OneRoster.zip`, await zipped(writeBundle(index)))
    },
  },
}
</script>

<template>
  <details class="border-t border-rule pt-3" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary class="font-semibold">Take out what came in</summary>
    <div v-if="isOpen" class="mt-2 grid gap-2">
      <p class="text-sm text-muted">
        Students, results with their questions, marks, levels, habits, attendance, practice and the notes that you can
        read, of
        {{ classRecord.record?.term.name }}. Each comes in again here. A OneRoster bundle (1.2) holds students, work and
        results, for other programs.
      </p>
      <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
      <div class="flex flex-wrap gap-3">
        <button
          v-for="way in ways"
          :key="way.title"
          type="button"
          class="quiet"
          :disabled="busy"
          @click="attempt(way.take)"
        >
          {{ way.title }}
        </button>
      </div>
    </div>
  </details>
</template>
