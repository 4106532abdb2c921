<script setup lang="ts">
import type { OutboxEntry } from '~/outbox/outbox'
import { useClassRecord } from '~/stores/classRecord'
import { useSaving } from '~/stores/saving'
import { useView } from '~/stores/view'

/** What the server would not take, each with its reason, until its owner has decided. Nothing of it is lost. */
const saving = useSaving()
const classRecord = useClassRecord()
const view = useView()

const isConflict = (entry: OutboxEntry): boolean => entry.problem?.status === 409
const textOf = ({ work }: OutboxEntry): string =>
  work.kind === 'comment' ? work.body.text : work.kind === 'note' ? (work.body.note?.text ?? '') : ''

/** A text that was changed elsewhere is decided in Write, where both stand side by side. */
async function look({ work }: OutboxEntry): Promise<void> {
  if (work.kind !== 'comment') return
  const [, , , classId = null, termId = null] = work.path.split('/')
  const elsewhere = view.kept.classId !== classId || view.kept.termId !== termId
  Object.assign(view.kept, { classId, termId, studentId: work.body.studentId })
  if (elsewhere) await classRecord.load()
  classRecord.chooseBox(work.body.box)
  await navigateTo('/write')
}

async function letGo(entry: OutboxEntry): Promise<void> {
  await saving.letGo(entry)
  await classRecord.load()
}
</script>

<template>
  <section v-if="saving.refused.length > 0" aria-label="Not saved" class="needs max-h-56 overflow-y-auto">
    <p class="font-semibold">
      {{ saving.refused.length }} {{ saving.refused.length === 1 ? 'piece' : 'pieces' }} of work
      {{ saving.refused.length === 1 ? 'was' : 'were' }} not saved. It stays here until you decide.
    </p>
    <ul>
      <li
        v-for="entry in saving.refused"
        :key="entry.id"
        class="mt-1.5 flex flex-wrap items-baseline gap-x-3 gap-y-1 border-t border-rule pt-1.5"
      >
        <span class="font-semibold">{{ entry.work.what }}</span>
        <span>{{ entry.problem?.message }}</span>
        <span v-if="textOf(entry)" class="w-full truncate font-serif">{{ textOf(entry) }}</span>
        <template v-if="isConflict(entry) && entry.work.kind === 'comment'">
          <button type="button" class="link" @click="look(entry)">Look at both</button>
        </template>
        <template v-else>
          <button type="button" class="link" @click="saving.insist(entry)">
            {{ isConflict(entry) ? 'Keep mine' : 'Try again' }}
          </button>
          <button type="button" class="link" @click="letGo(entry)">
            {{ isConflict(entry) ? 'Take the other' : 'Let it go' }}
          </button>
        </template>
      </li>
    </ul>
  </section>
</template>
