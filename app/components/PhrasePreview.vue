<script setup lang="ts">
import { inWords } from '~~/core/narrative/openPart'
import { factsInWords } from '~~/core/narrative/openParts'
import { parsePhrase, tokensWith } from '~~/core/narrative/notation'
import type { Phrase } from '~~/core/narrative/phrase'
import { nothingSpoken, saySentence, withFacts } from '~~/core/narrative/say'
import { tryPhrase } from '~~/core/narrative/tryPhrase'
import { draftRequest } from '~~/core/record/narrativeFacts'
import type { Student } from '~~/core/record/roster'
import { useClassRecord } from '~/stores/classRecord'

/**
 * A phrase, which can be read, as it would stand for four real students with different pronouns: at first mention, and
 * later.
 */
const props = defineProps<{ phrase: Phrase }>()
const classRecord = useClassRecord()

const tries = computed(() => {
  const { index, box, record } = classRecord
  if (!index || !box || !record) return []
  return classRecord.boxTakers.map((student) => {
    const request = draftRequest(index, student, box)
    return { student, request, part: tryPhrase(props.phrase, request, record.phrasebook.describing) }
  })
})
/**
 * One student of each set of pronouns first, then others, until there are four; those of whom it would be said go
 * before.
 */
const four = computed(() => {
  const ordered = tries.value.toSorted((a, b) => Number(b.part !== null) - Number(a.part !== null))
  const firsts = ordered.filter(
    ({ student }, at) => ordered.findIndex((each) => setOf(each.student) === setOf(student)) === at,
  )
  return [...firsts, ...ordered.filter((each) => !firsts.includes(each))].slice(0, 4)
})
const lines = computed(() => {
  const tokens = parsePhrase(props.phrase.text)
  const needs = tokens.flatMap((token) => (token.kind === 'fact' ? [token.fact] : []))
  return four.value.map(({ student, request, part }) => {
    const facts = part ? inWords(part.facts) : factsInWords(request.facts, request.box.subject, props.phrase, needs)
    const missing = needs.filter((fact) => facts[fact] === undefined)
    const said = withFacts(tokensWith(tokens, facts), facts)
    const tier = part?.tier ?? props.phrase.tiers[0] ?? 'sound'
    const words = (classRecord.record?.phrasebook.describing[tier] ?? []).toSorted((a, b) =>
      a + student.id < b + student.id ? -1 : 1,
    )
    const say = (named: boolean): string => saySentence(said, request.subject, { ...nothingSpoken, named }, words).text
    return { student, first: say(false), later: say(true), missing, isSaid: part !== null }
  })
})

function setOf(student: Student): string {
  return student.pronouns === 'name only' ? 'name only' : student.pronouns.subject
}
</script>

<template>
  <ul class="grid gap-2 text-sm" aria-label="How it would read">
    <li v-for="{ student, first, later, missing, isSaid } in lines" :key="student.id">
      <p class="text-xs text-muted">
        {{ student.usedName }}<template v-if="!isSaid && missing.length === 0"> · not said, as things stand</template>
      </p>
      <p v-if="missing.length > 0" class="text-muted">Not said: {{ missing.join(', ') }} is not known.</p>
      <template v-else>
        <p class="font-serif">{{ first }}</p>
        <p v-if="later !== first" class="font-serif text-muted">{{ later }}</p>
      </template>
    </li>
  </ul>
</template>
