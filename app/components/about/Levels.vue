<script setup lang="ts">
import { levelsOverTerms, termsSoFar } from '~~/core/record/overTerms'
import type { Student } from '~~/core/record/roster'
import { levelEvidence } from '~~/core/record/levelEvidence'
import type { LevelKind } from '~~/core/record/termRecord'
import { findLevel, strokesOf, type Scale } from '~~/core/scales/scale'
import { keptSymbol, readTyped } from '~~/core/scales/symbol'
import { gridArrows } from '~/keys/gridArrows'
import { pressed } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'

/** One student's skills or habits, a line for each, over the terms of the year; this term's are settled here too. */
const props = defineProps<{ student: Student; kind: LevelKind; subject: string | null; title: string; may: boolean }>()
const classRecord = useClassRecord()
const isMeeting = useIsMeeting()
const mayHere = computed(() => props.may && !isMeeting)
const section = useTemplateRef('section')
const at = ref(0)
const problem = ref('')
const end = useLastCell()

interface Line {
  readonly about: string
  readonly name: string
  readonly teacherOnly: boolean
  readonly scale: Scale | undefined
}
const lines = computed((): Line[] => {
  const { record, index } = classRecord
  if (!record || !index) return []
  if (props.kind === 'habit')
    return record.habits.map(({ key, name, scale }) => ({
      about: key,
      name,
      teacherOnly: false,
      scale: index.scale(scale),
    }))
  const skillScale = record.subjects.find(({ key }) => key === props.subject)?.skillScale ?? ''
  return record.skills
    .filter((skill) => skill.subject === props.subject && !(isMeeting && skill.teacherOnly))
    .map(({ id, statement, familyWords, teacherOnly }) => ({
      about: id,
      name: isMeeting ? familyWords : statement,
      teacherOnly,
      scale: index.scale(skillScale),
    }))
})
const rows = computed(() => {
  const { index } = classRecord
  if (!index) return []
  const overTerms = levelsOverTerms(index, props.student.id, props.kind)
  return lines.value.map((line) => ({
    ...line,
    symbols: overTerms.get(line.about) ?? [],
    evidence: levelEvidence(index, { studentId: props.student.id, kind: props.kind, about: line.about }),
  }))
})
type Row = (typeof rows.value)[number]
const terms = computed(() => (classRecord.index ? termsSoFar(classRecord.index) : []))
/** whether any line has anything behind it. */
const hasEvidence = computed(() => !isMeeting && rows.value.some(({ evidence }) => evidence.proposed))

const strokes = ({ scale }: Row, symbol: string | undefined) =>
  scale && symbol !== undefined && findLevel(scale, symbol) ? strokesOf(scale, symbol) : null
const spoken = ({ name, scale, symbols }: Row): string => {
  const symbol = symbols.at(-1)
  if (symbol === undefined) return `${name}: empty`
  return `${name}: ${symbol} ${(scale && findLevel(scale, symbol)?.name) ?? ''}`
}

function focus(nth: number): void {
  at.value = Math.max(0, Math.min(rows.value.length - 1, nth))
  void nextTick(() => section.value?.querySelector<HTMLElement>(`[data-line="${at.value}"]`)?.focus())
}

function onFocus(nth: number): void {
  if (nth !== at.value) end.leave()
  at.value = nth
}

function onClick(nth: number): void {
  end.leave()
  focus(nth)
}

function goOn(): void {
  if (at.value + 1 < rows.value.length) focus(at.value + 1)
  else end.reach()
}

function put(row: Row, symbol: string | null): void {
  classRecord.settleLevels(props.kind, [{ studentId: props.student.id, about: row.about, symbol }])
}

function onKey(event: KeyboardEvent): void {
  const row = rows.value[at.value]
  if (end.holds(event)) return
  if (!row || event.ctrlKey || event.metaKey || event.altKey) return
  const proposed = row.evidence.proposed?.symbol
  if (mayHere.value && pressed(event, 'take') && row.symbols.at(-1) === undefined && proposed) {
    event.preventDefault()
    put(row, proposed)
    return goOn()
  }
  const step = gridArrows[event.key]
  if (step) {
    event.preventDefault()
    return focus(at.value + step[0])
  }
  if (!mayHere.value) return
  if (pressed(event, 'empty')) {
    event.preventDefault()
    put(row, null)
  } else if (event.key.length === 1 && event.key !== ' ') {
    event.preventDefault()
    const meaning = readTyped(row.scale, event.key)
    const all = row.scale?.levels.map(({ symbol }) => symbol).join(', ') ?? ''
    problem.value = meaning ? '' : `“${event.key}” is no level here. Type ${all}.`
    if (!meaning) return
    put(row, keptSymbol(meaning))
    goOn()
  }
}
</script>

<template>
  <section v-if="rows.length > 0" ref="section" :aria-label="title" class="grid content-start gap-2">
    <h2 class="text-lg font-semibold">{{ title }}</h2>
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <PlainTable role="grid" :aria-label="title" @keydown="onKey">
      <template #heads>
        <th scope="col" class="py-1">{{ kind === 'skill' ? 'Skill' : 'Habit' }}</th>
        <th v-for="term in terms" :key="term" scope="col" class="px-2 whitespace-nowrap">{{ term }}</th>
        <th v-if="hasEvidence" scope="col" class="px-2">Record shows</th>
      </template>
      <tr v-for="(row, nth) in rows" :key="row.about" class="border-b border-rule">
        <th scope="row" class="py-1 pr-2 font-normal">
          {{ row.name }}
          <span v-if="row.teacherOnly" class="block text-xs text-needs">for you only, never on the report</span>
        </th>
        <td
          v-for="(symbol, term) in row.symbols"
          :key="term"
          class="px-2 whitespace-nowrap"
          :role="term === row.symbols.length - 1 ? 'gridcell' : undefined"
          :data-line="term === row.symbols.length - 1 ? nth : undefined"
          :tabindex="term < row.symbols.length - 1 ? undefined : nth === at ? 0 : -1"
          :aria-label="term === row.symbols.length - 1 ? spoken(row) : undefined"
          :aria-readonly="term === row.symbols.length - 1 ? !mayHere : undefined"
          @focus="onFocus(nth)"
          @click="term === row.symbols.length - 1 && onClick(nth)"
        >
          <span v-if="symbol !== undefined" class="flex items-center gap-2"
            ><b class="w-5 font-semibold" :class="term < row.symbols.length - 1 ? 'text-muted' : ''">{{ symbol }}</b
            ><InkStrokes v-if="strokes(row, symbol)" v-bind="strokes(row, symbol) ?? { filled: 0, of: 0 }"
          /></span>
          <span v-else class="text-edge">·</span>
        </td>
        <td v-if="hasEvidence" class="px-2">
          <template v-if="row.evidence.proposed">
            <i>{{ row.evidence.proposed.symbol }}</i>
            <span class="text-xs text-muted">
              recent {{ row.evidence.mostRecent?.symbol }}, most often {{ row.evidence.mostFrequent?.symbol }}, of
              {{ row.evidence.seen.length }}</span
            >
          </template>
        </td>
      </tr>
    </PlainTable>
    <p class="min-h-5 text-sm" role="status">{{ end.said.value }}</p>
  </section>
</template>
