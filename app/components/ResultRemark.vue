<script setup lang="ts">
import { spokenResult } from '~~/core/marks/resultText'
import { useClassRecord } from '~/stores/classRecord'

/** The result at hand, in words, with the remark that goes along with it. */
const props = defineProps<{ workId: string | null; may: boolean }>()
const emit = defineEmits<{ piece: [id: string] }>()
const classRecord = useClassRecord()
const piece = computed(() => classRecord.record?.work.find((each) => each.id === props.workId))
const result = computed(() => classRecord.index?.resultOf(props.workId ?? '', classRecord.student?.id ?? ''))

function keep(remark: string): void {
  if (!result.value || remark === result.value.remark) return
  const { workId, studentId, state, score } = result.value
  classRecord.giveResults([{ workId, studentId, result: { state, score, remark } }])
}
</script>

<template>
  <section v-if="piece" aria-label="The result at hand" class="mb-4 grid gap-1 border-b border-rule pb-4 text-sm">
    <p class="font-semibold">{{ classRecord.student?.usedName }}, {{ piece.title }}</p>
    <p>{{ result ? spokenResult(result, piece.outOf) : 'no result' }}</p>
    <label v-if="result && (may || result.remark)" class="grid gap-1 text-muted"
      >Remark
      <textarea
        v-stands="result.remark"
        class="field text-ink"
        rows="2"
        maxlength="2000"
        :readonly="!may"
        @change="keep(valueOf($event))"
      ></textarea>
    </label>
    <ValueHistory v-if="classRecord.student" of="result" :student-id="classRecord.student.id" :about="piece.id" />
    <QuestionAnswers v-if="classRecord.student" :work-id="piece.id" :student-id="classRecord.student.id" :may="may" />
    <button v-if="may" type="button" class="link justify-self-start" @click="emit('piece', piece.id)">
      Change this piece of work
    </button>
  </section>
</template>
