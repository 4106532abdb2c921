<script setup lang="ts">
import { listedStudent, type ListedStudent, type RosterAnswer } from '~~/contracts/classes'
import { pastedFields, pastedStudents, type PastedStudent } from '~~/core/exchange/lists/pastedStudents'
import { planRoster } from '~~/core/exchange/lists/planRoster'
import { displayName } from '~~/core/people/names'
import { longDate } from '~~/core/reports/longDate'
import { useOwnSchool } from '~/stores/ownSchool'

/** A class's list: pasted whole, each cell to be changed in place. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
const columns = [
  ['schoolNumber', pastedFields.schoolNumber, 'w-24'],
  ['legalGiven', pastedFields.legalGiven, 'w-36'],
  ['usedName', pastedFields.usedName, 'w-32'],
  ['family', pastedFields.family, 'w-40'],
  ['pronouns', pastedFields.pronouns, 'w-32'],
  ['gradeLevel', pastedFields.gradeLevel, 'w-16'],
] as const
const titles = columns.map(([, title]) => title).join(', ')
const students = computed(() => school.roster?.students ?? [])
const isGroup = computed(() => (school.roster?.subject ?? null) !== null)
const opened = ref<string | null>(null)
const openedStudent = computed(() => students.value.find((student) => student.id === opened.value))
// Who is no longer in the list takes the sheet along: it does not come back with them.
watch(openedStudent, (student) => {
  if (!student) opened.value = null
})
const grade = ref(students.value[0]?.gradeLevel ?? /\d+/.exec(school.roster?.name ?? '')?.[0] ?? '')

/** What a class list would bring, and change of who is there. */
function plan(text: string) {
  const pasted = pastedStudents(text, { grade: grade.value, next: nextNumber() })
  const { added, changed, unchanged, refused } = planRoster(pasted, students.value)
  const wrong: { row: number; reason: string }[] = []
  const check = (student: ListedStudent, row: number): ListedStudent[] => {
    const read = listedStudent.safeParse(student)
    if (read.success) return [read.data]
    const name = displayName({ given: student.usedName, family: student.family })
    wrong.push({ row, reason: `${name}: ${read.error.issues[0]?.message ?? ''}` })
    return []
  }
  const fresh = added.flatMap((student) => check(fromTheStart(student), student.row))
  const others = changed.flatMap(({ row, was: { id, position, ...was }, fields, words }) =>
    check({ ...was, ...fields }, row).map((student) => ({ id, position, was, student, words })),
  )
  const withoutPronouns = fresh.length > 0 && fresh.every(({ pronouns }) => pronouns === 'name only')
  return {
    added: fresh.length,
    changed: others.length,
    unchanged,
    refused: [...refused, ...wrong].toSorted((a, b) => a.row - b.row),
    unknown: [],
    notes: [...(added[0]?.family ? [readAs(added[0])] : []), ...(withoutPronouns ? [noPronouns] : [])],
    lines: [
      ...others.map(({ words }) => words),
      ...fresh.map(({ schoolNumber, legalGiven, usedName, family, pronouns, gradeLevel }) => {
        const called = usedName === legalGiven ? '' : `, called ${usedName}`
        const name = displayName({ given: legalGiven, family })
        return `${schoolNumber} ${name}${called}, ${pronouns}, grade ${gradeLevel}`
      }),
    ],
    take: () =>
      school.takeIn(
        fresh,
        others.map(({ words: _words, ...each }) => each),
      ),
  }
}
/** Columns without headings may stand the other way round: how names were read is said before they are taken. */
const readAs = ({ legalGiven, family }: PastedStudent): string =>
  `Read as: given name “${legalGiven}”, family name “${family}”.`
const noPronouns =
  'There are no pronouns in this list, so comments name each student instead. Add them here, or in the table later.'

/** Whoever is in a list is in the class from its beginning on, until something else is said. */
function fromTheStart({ row: _row, said: _said, ...student }: PastedStudent): ListedStudent {
  return { ...student, from: null, to: null }
}

/** Numbers that nobody has yet, for a list without any. */
function nextNumber(): number {
  const taken = students.value.map((student) => Number(student.schoolNumber)).filter(Number.isFinite)
  return (
    Math.max(1000 * ((school.year?.classes.findIndex((each) => each.id === school.classId) ?? 0) + 1), ...taken) + 1
  )
}

/** A column that is pasted into a cell goes down from there, one child a line, as one change. */
function fillDown(event: ClipboardEvent, from: Listed, column: keyof ListedStudent): void {
  const cells = (event.clipboardData?.getData('text/plain') ?? '').replace(/\r?\n$/, '').split(/\r?\n/)
  if (cells.length < 2) return
  event.preventDefault()
  void attempt(async () => {
    const below = students.value.slice(students.value.findIndex(({ id }) => id === from.id))
    if (cells.length > below.length || cells.some((cell) => cell.includes('\t')))
      throw new Error(
        `${cells.length} lines were pasted, and ${below.length} children stand here and below: ` +
          'paste one column, a child a line. Nothing was changed.',
      )
    const changed = below.slice(0, cells.length).flatMap(({ id, position, ...was }, nth) => {
      const value = cells[nth]?.trim() ?? ''
      return value === '' || value === was[column] ? [] : [{ id, position, was, student: { ...was, [column]: value } }]
    })
    if (changed.length > 0) await school.writeStudents(changed)
  })
}

type Listed = RosterAnswer['students'][number]

function changeCell(student: Listed, column: keyof ListedStudent, value: string): Promise<void> {
  const { id, position, ...was } = student
  if (was[column] === value.trim()) return Promise.resolve()
  // Who is called by the given name goes on being called by it.
  const called = column === 'legalGiven' && was.usedName === was.legalGiven ? { usedName: value } : {}
  return attempt(() => school.writeStudents([{ id, position, was, student: { ...was, [column]: value, ...called } }]))
}

function rename(name: string): Promise<void> {
  return attempt(() => school.nameClass(school.classId ?? '', name, school.roster?.name ?? ''))
}
</script>

<template>
  <div class="min-w-0">
    <div class="flex flex-wrap items-end gap-3">
      <label class="grid gap-1 text-sm"
        >{{ isGroup ? 'Group' : 'Class' }}
        <input v-stands.asked="school.roster?.name" class="field w-40" @change="rename(valueOf($event))"
      /></label>
      <button
        v-if="students.length === 0"
        type="button"
        class="link pb-2 text-sm"
        :disabled="busy"
        @click="attempt(() => school.nameClass(school.classId ?? '', null, school.roster?.name ?? ''))"
      >
        Take this {{ isGroup ? 'group' : 'class' }} away
      </button>
    </div>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <div v-if="students.length > 0" class="mt-4 relative overflow-x-auto">
      <table class="text-sm">
        <caption class="sr-only">
          Students of
          {{
            school.roster?.name
          }}
        </caption>
        <thead>
          <tr class="border-b border-rule text-left text-muted">
            <th v-for="[key, title] in columns" :key="key" scope="col" class="py-1 pr-2 font-normal">{{ title }}</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr v-for="student in students" :key="student.id" class="border-b border-rule">
            <td v-for="[key, title, width] in columns" :key="key" class="py-0.5 pr-2">
              <input
                v-stands.asked="student[key]"
                class="cell"
                :class="width"
                :aria-label="`${title} of ${student.usedName} ${student.family}`"
                :list="key === 'pronouns' ? 'pronouns' : undefined"
                @paste="fillDown($event, student, key)"
                @change="changeCell(student, key, ($event.target as HTMLInputElement).value)"
              />
            </td>
            <td class="whitespace-nowrap">
              <span v-if="student.to" class="pr-2 text-muted">until {{ longDate(student.to) }}</span>
              <span v-else-if="student.from" class="pr-2 text-muted">since {{ longDate(student.from) }}</span>
              <button type="button" class="link pr-3" @click="opened = student.id">
                more <span class="sr-only">about {{ student.usedName }} {{ student.family }}</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <datalist id="pronouns">
      <option v-for="each in ['she/her', 'he/him', 'they/them', 'name only']" :key="each" :value="each"></option>
    </datalist>
    <SideSheet
      v-if="openedStudent"
      open
      side="right"
      :title="`${openedStudent.usedName} ${openedStudent.family}`"
      @close="opened = null"
    >
      <StudentPrivacy :key="openedStudent.id" :student="openedStudent" />
    </SideSheet>
    <GroupMembers v-if="isGroup" />
    <ListImport
      :key="`${school.classId} ${students.length === 0}`"
      class="mt-5"
      :title="
        isGroup
          ? 'Paste a list of the group'
          : students.length === 0
            ? 'Paste the class list'
            : 'A list of the class: more students, or changes'
      "
      :open="students.length === 0 && !isGroup"
      :columns="`${titles}; without headings they are told by what stands in them`"
      :words="['student', 'students']"
      :plan="plan"
    >
      <label class="flex items-center gap-2 text-sm"
        >Grade, where the list has none <input v-model="grade" class="field w-16"
      /></label>
    </ListImport>
    <ContactList v-if="students.length > 0 && !isGroup" class="mt-6" />
  </div>
</template>
