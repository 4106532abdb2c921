<script setup lang="ts">
import { categorySpreads, levelSpread, workSpreads } from '~~/core/record/classSpread'
import { needsALook, type Look } from '~~/core/record/needsALook'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'
import { useView } from '~/stores/view'

/** The whole class in a subject: who needs a look and why, and how work, categories and skills went. */
const emit = defineEmits<{ marks: [] }>()
const classRecord = useClassRecord()
const settings = useSettings()
const view = useView()

const subject = computed(() => classRecord.subject)
const looks = computed(() => {
  const { index } = classRecord
  if (!index || !subject.value) return []
  return needsALook(index, [subject.value.key]).map((look) => ({ ...look, student: index.student(look.studentId) }))
})
const spreads = computed(() => {
  const { index } = classRecord
  const key = subject.value?.key
  return index && key
    ? { work: workSpreads(index, key), categories: categorySpreads(index, key) }
    : { work: [], categories: [] }
})
const skills = computed(() => {
  const { index, record } = classRecord
  const scale = index?.scale(subject.value?.skillScale ?? '')
  if (!index || !record || !scale) return []
  return record.skills
    .filter((skill) => skill.subject === subject.value?.key)
    .map((skill) => ({ skill, ...levelSpread(index, scale, { kind: 'skill', about: skill.id }) }))
})
const symbols = computed(() => skills.value[0]?.levels.map(({ symbol }) => symbol) ?? [])
const most = computed(() => Math.max(1, ...skills.value.flatMap(({ levels }) => levels.map(({ count }) => count))))

/** To where it can be mended: the marks for what is settled, else the student's page. */
async function look({ studentId, why }: Look): Promise<void> {
  view.kept.studentId = studentId
  if (why === 'differs') emit('marks')
  else await navigateTo('/student')
}
</script>

<template>
  <div v-if="subject" class="grid grid-cols-1 gap-8">
    <section aria-label="Who needs a look" class="grid content-start gap-2">
      <h2 class="text-lg font-semibold">Who needs a look in {{ subject.name }}</h2>
      <p v-if="looks.length === 0" class="text-muted">
        Nobody: no work is missing, no mark differs from the record or lies far from last term’s.
      </p>
      <ul v-else class="text-sm">
        <li v-for="each in looks" :key="`${each.studentId} ${each.why}`" class="flex gap-3 border-b border-rule py-1">
          <span class="w-44 shrink-0 truncate font-semibold">{{ each.student && settings.nameOf(each.student) }}</span>
          <span class="min-w-0 flex-1"
            ><span class="text-needs">{{ each.why }}:</span> {{ each.words }}</span
          >
          <button type="button" class="link shrink-0" @click="look(each)">
            Look<span class="sr-only"> at {{ each.student?.usedName }}, {{ each.why }}</span>
          </button>
        </li>
      </ul>
    </section>
    <SpreadStrips
      v-if="spreads.work.length > 0"
      :spreads="spreads.work"
      title="How each piece of work went"
      what="Work"
    />
    <SpreadStrips
      v-if="spreads.categories.length > 0"
      :spreads="spreads.categories"
      title="How each category went"
      what="Category"
    />
    <section v-if="skills.length > 0" aria-label="How the skills stand" class="grid content-start gap-2">
      <h2 class="text-lg font-semibold">How the skills stand</h2>
      <PlainTable>
        <template #heads>
          <th scope="col" class="py-1">Skill</th>
          <th v-for="symbol in symbols" :key="symbol" scope="col" class="w-20 px-2">{{ symbol }}</th>
          <th scope="col" class="px-2 text-right">Open</th>
        </template>
        <tr v-for="{ skill, levels, open } in skills" :key="skill.id" class="border-b border-rule">
          <th scope="row" class="py-1 pr-2 font-normal">{{ skill.statement }}</th>
          <td v-for="{ symbol, count } in levels" :key="symbol" class="px-2">
            <span class="flex items-center gap-1.5">
              <b class="w-5 text-right font-semibold">{{ count }}</b>
              <span aria-hidden="true" class="h-2 bg-teal" :style="{ width: `${(count / most) * 40}px` }"></span>
            </span>
          </td>
          <td class="px-2 text-right text-muted">{{ open === 0 ? '' : open }}</td>
        </tr>
      </PlainTable>
    </section>
  </div>
</template>
