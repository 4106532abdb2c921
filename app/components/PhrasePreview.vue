<script setup lang="ts">
import { factsOfStanding } from '~~/core/narrative/openParts'
import { tokensWith, type FactName, type Token } from '~~/core/narrative/notation'
import { nothingSpoken, saySentence, withFacts } from '~~/core/narrative/say'
import type { Tier } from '~~/core/scales/tier'
import { draftRequest } from '~~/core/record/narrativeFacts'
import type { Student } from '~~/core/record/classRecord'
import { useClassRecord } from '~/stores/classRecord'

/** A phrase as it would stand for four real students with different pronouns: at first mention, and later. */
const props = defineProps<{ tokens: Token[]; about: string; tier: Tier }>()
const classRecord = useClassRecord()

/** One student of each set of pronouns first, then others, until there are four. */
const four = computed((): Student[] => {
  const students = classRecord.record?.students ?? []
  const firsts = students.filter((student, at) => students.findIndex((each) => setOf(each) === setOf(student)) === at)
  return [...firsts, ...students.filter((student) => !firsts.includes(student))].slice(0, 4)
})
const lines = computed(() => four.value.map((student) => {
  const { index, box, record } = classRecord
  if (!index || !box || !record) return { student, first: '', later: '' }
  const request = draftRequest(index, student, box)
  const standing = request.facts.standings[props.about] ?? Object.values(request.facts.standings)[0]
  const sayable = { ...request.facts.sayable, ...(standing ? factsOfStanding(standing) : {}) }
  const facts = Object.fromEntries(Object.entries(sayable).map(([name, fact]) => [name, fact.text])) as Partial<Record<FactName, string>>
  const tokens = withFacts(tokensWith(props.tokens, facts), facts)
  const missing = props.tokens.flatMap((token) => (token.kind === 'fact' && facts[token.fact] === undefined ? [token.fact] : []))
  const words = record.phrasebook.describing[props.tier].toSorted((a, b) => ((a + student.id) < (b + student.id) ? -1 : 1))
  const say = (named: boolean): string => saySentence(tokens, request.subject, { ...nothingSpoken, named }, words).text
  return { student, first: say(false), later: say(true), missing }
}))

function setOf(student: Student): string {
  return student.pronouns === 'name only' ? 'name only' : student.pronouns.subject
}
</script>

<template>
  <ul class="grid gap-2 text-sm" aria-label="How it would read">
    <li v-for="{ student, first, later, missing } in lines" :key="student.id">
      <p class="text-xs text-muted">{{ student.usedName }}</p>
      <p v-if="missing && missing.length > 0" class="text-muted">Not chosen: {{ missing.join(', ') }} is not known.</p>
      <template v-else>
        <p class="font-serif">{{ first }}</p>
        <p v-if="later !== first" class="font-serif text-muted">{{ later }}</p>
      </template>
    </li>
  </ul>
</template>
