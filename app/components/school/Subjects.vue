<script setup lang="ts">
import { keyFor } from '~~/core/school/keyFor'
import type { BoxRow, SetupChange, SkillRow, SubjectRow } from '~~/contracts/ownSetup'
import { skillColumns, subjectColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planSkillList } from '~~/core/exchange/lists/planSkillList'
import { planSubjectList, type ListedSubject } from '~~/core/exchange/lists/planSetupLists'
import { readList } from '~~/core/exchange/lists/readList'
import { writeGrades } from '~~/core/people/gradeRange'
import { nameOfStrand } from '~~/core/school/strand'
import { lowerFirst } from '~~/core/narrative/capitals'
import { useOwnSchool } from '~/stores/ownSchool'

/** Subjects in the order of the report, and the skills of the chosen one. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadSetup))
const chosen = ref('')
const newSubject = ref('')
const subjects = computed(() => school.setup?.subjects ?? [])
const subject = computed(() => subjects.value.find((each) => each.key === chosen.value) ?? subjects.value[0])
const skills = computed(() => (school.setup?.skills ?? []).filter((skill) => skill.subject === subject.value?.key))
const strands = computed(() => [...new Set(skills.value.map((skill) => skill.strand))])
const scalesFor = (kind: 'mark' | 'skill') => (school.setup?.scales ?? []).filter((scale) => scale.kind === kind)

function change(part: Partial<SubjectRow>): Promise<void> {
  const key = subject.value?.key ?? ''
  return attempt(() => school.changeRow('subject', key, () => part))
}

/** A subject comes with a comment box that tells of each of its strands. */
function boxesFor(made: readonly Pick<SubjectRow, 'key' | 'name'>[]): BoxRow[] {
  const boxes = [...(school.setup?.boxes ?? [])]
  const limit = boxes.find((each) => each.subject !== null)?.limit ?? 500
  return made.map(({ key: of, name }) => {
    const key = keyFor(
      name,
      boxes.map((each) => each.key),
    )
    const plan = 'outcome each; progress'
    const box = {
      key,
      name,
      subject: of,
      limit,
      limitByGrade: [],
      tone: '',
      plan,
      position: nextPosition(boxes),
      retired: false,
    }
    boxes.push(box)
    return box
  })
}

function add(): Promise<void> {
  return attempt(async () => {
    const name = newSubject.value.trim()
    const [like] = subjects.value
    const row: SubjectRow = {
      key: keyFor(
        name,
        subjects.value.map((each) => each.key),
      ),
      name,
      inSentence: lowerFirst(name),
      markScale: like?.markScale ?? scalesFor('mark')[0]?.key ?? '',
      skillScale: like?.skillScale ?? scalesFor('skill')[0]?.key ?? '',
      markScaleByGrade: like?.markScaleByGrade ?? [],
      skillScaleByGrade: like?.skillScaleByGrade ?? [],
      strandNames: {},
      takenBy: 'class',
      position: nextPosition(subjects.value),
      retired: false,
    }
    await school.writeSetup([
      { kind: 'subject', row, was: null },
      ...boxesFor([row]).map((box): SetupChange => ({ kind: 'box', row: box, was: null })),
    ])
    newSubject.value = ''
    chosen.value = row.key
  })
}

function addSkill(): Promise<void> {
  return attempt(async () => {
    const all = school.setup?.skills ?? []
    const row: SkillRow = {
      id: keyFor(
        `${subject.value?.key}-skill`,
        all.map((each) => each.id),
      ),
      subject: subject.value?.key ?? '',
      strand: skills.value.at(-1)?.strand ?? subject.value?.name ?? '',
      statement: typedSkill.value.trim(),
      familyWords: typedSkill.value.trim(),
      inSentence: '',
      does: '',
      grades: null,
      teacherOnly: false,
      position: nextPosition(all),
      retired: false,
    }
    await school.writeSetup([{ kind: 'skill', row, was: null }])
    typedSkill.value = ''
  })
}
const typedSkill = ref('')

const setupList = useSetupList()

/** What a list of skills would do; all of it, or nothing. */
function planSkills(text: string) {
  const { setup } = school
  const list = readList(text, skillColumns)
  const known = { subjects: subjects.value, skills: setup?.skills ?? [], chosen: subject.value?.key ?? '' }
  const { without, ...made } = planSkillList(list, known)
  return setupList({
    list,
    made,
    changeOf: (row, was) => ({ kind: 'skill', row: { ...row }, was: was && { ...was } }),
    lineOf: ({ subject: key, strand, statement, grades }) => {
      const own = subjects.value.find((each) => each.key === key)
      const only = grades ? ` (${writeGrades(grades)})` : ''
      return `${own?.name ?? key}, ${nameOfStrand(own, strand)}: ${statement}${only}`
    },
    notes: without.map(({ subject: lacking, rows }) => {
      const left = rows === 1 ? 'row is' : 'rows are'
      return `This school has no subject “${lacking}”: ${rows} ${left} left out.`
    }),
  })
}

/** A subject that a list brings comes with its comment box, as one that is added by hand. */
function planSubjects(text: string) {
  const list = readList(text, subjectColumns)
  const made = planSubjectList(list, { subjects: subjects.value.map(plain), scales: school.setup?.scales ?? [] })
  const plan = setupList({
    list,
    made,
    changeOf: (row, was) => ({ kind: 'subject', row: plain(row), was: was && plain(was) }),
    lineOf: ({ name, inSentence }) => `${name}, inside a sentence ${inSentence}`,
  })
  return {
    ...plan,
    take: () =>
      school.writeSetup([
        ...made.added.map((row): SetupChange => ({ kind: 'subject', row: plain(row), was: null })),
        ...boxesFor(made.added).map((row): SetupChange => ({ kind: 'box', row, was: null })),
        ...made.changed.map(({ row, was }): SetupChange => ({ kind: 'subject', row: plain(row), was: plain(was) })),
      ]),
  }
}

function plain(row: ListedSubject): SubjectRow {
  const { markScaleByGrade = [], skillScaleByGrade = [], strandNames, takenBy = 'class' } = row
  return {
    ...row,
    markScaleByGrade: [...markScaleByGrade],
    skillScaleByGrade: [...skillScaleByGrade],
    strandNames: { ...strandNames },
    takenBy,
  }
}
</script>

<template>
  <section aria-labelledby="subjects">
    <h2 id="subjects" class="text-xl font-semibold">Subjects and skills of {{ school.setup?.year }}</h2>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <div v-if="school.setup" class="mt-4 grid grid-cols-1 gap-6 middle:grid-cols-[13rem_minmax(0,1fr)]">
      <div>
        <ul class="grid">
          <li v-for="each in subjects" :key="each.key">
            <button
              type="button"
              class="w-full border-l-2 px-3 py-1.5 text-left"
              :class="[
                each.key === subject?.key ? 'border-teal bg-teal-wash font-semibold' : 'border-transparent',
                each.retired ? 'text-muted line-through' : '',
              ]"
              :aria-pressed="each.key === subject?.key"
              @click="chosen = each.key"
            >
              {{ each.name }}
            </button>
          </li>
        </ul>
        <form class="mt-3 flex gap-2" @submit.prevent="add">
          <input v-model="newSubject" class="field min-w-0 flex-1" aria-label="Name of a new subject" required />
          <button type="submit" class="quiet" :disabled="busy">Add</button>
        </form>
      </div>
      <div v-if="subject" :key="subject.key" class="min-w-0">
        <div class="flex flex-wrap items-end gap-3 text-sm">
          <label class="grid gap-1"
            >Name <input v-stands.asked="subject.name" class="field w-44" @change="change({ name: valueOf($event) })"
          /></label>
          <label class="grid gap-1"
            >Inside a sentence
            <input
              v-stands.asked="subject.inSentence"
              class="field w-44"
              @change="change({ inSentence: valueOf($event) })"
          /></label>
          <label class="grid gap-1"
            >Marks on
            <select class="field" :value="subject.markScale" @change="change({ markScale: valueOf($event) })">
              <option v-for="scale in scalesFor('mark')" :key="scale.key" :value="scale.key">{{ scale.name }}</option>
            </select></label
          >
          <label class="grid gap-1"
            >Skills on
            <select class="field" :value="subject.skillScale" @change="change({ skillScale: valueOf($event) })">
              <option v-for="scale in scalesFor('skill')" :key="scale.key" :value="scale.key">{{ scale.name }}</option>
            </select></label
          >
          <label class="grid gap-1"
            >Taken by
            <select
              class="field"
              :value="subject.takenBy"
              @change="change({ takenBy: valueOf($event) === 'groups' ? 'groups' : 'class' })"
            >
              <option value="class">everybody in the class</option>
              <option value="groups">who is in a group of it</option>
            </select></label
          >
          <RetireButton
            :retired="subject.retired"
            :name="subject.name"
            :disabled="busy"
            @turn="change({ retired: !subject.retired })"
          />
          <span class="pb-2 text-muted">{{ restsOn(school.setup.uses.subject[subject.key]) }}</span>
        </div>
        <div
          v-if="scalesFor('mark').length > 1 || scalesFor('skill').length > 1"
          class="flex flex-wrap gap-x-6 gap-y-1 pt-3 text-sm"
        >
          <ByGrade
            v-if="scalesFor('mark').length > 1"
            what="Marks on another scale"
            short="Marks"
            :rules="subject.markScaleByGrade"
            :otherwise="subject.markScale"
            :choices="scalesFor('mark')"
            @write="(markScaleByGrade) => change({ markScaleByGrade })"
          />
          <ByGrade
            v-if="scalesFor('skill').length > 1"
            what="Skills on another scale"
            short="Skills"
            :rules="subject.skillScaleByGrade"
            :otherwise="subject.skillScale"
            :choices="scalesFor('skill')"
            @write="(skillScaleByGrade) => change({ skillScaleByGrade })"
          />
        </div>
        <StrandNames :subject="subject" :strands="strands" @write="(strandNames) => change({ strandNames })" />
        <ol class="mt-5 grid">
          <SkillEditor
            v-for="skill in skills"
            :key="skill.id"
            :skill="skill"
            :subject="subject"
            :strands="strands"
            :uses="school.setup.uses.skill[skill.id] ?? 0"
            @change="(part) => attempt(() => school.changeRow('skill', skill.id, () => part))"
          />
        </ol>
        <form class="mt-4 flex flex-wrap items-end gap-2" @submit.prevent="addSkill">
          <label class="grid min-w-60 flex-1 gap-1 text-sm"
            >A new skill in {{ subject.name }}
            <input v-model="typedSkill" class="field" placeholder="Adds and subtracts large numbers" required
          /></label>
          <button type="submit" class="quiet" :disabled="busy">Add skill</button>
        </form>
        <ListImport
          class="mt-6"
          title="A list of skills"
          :columns="titlesOf(skillColumns)"
          :words="['skill', 'skills']"
          :plan="planSkills"
        />
        <ListImport
          class="mt-6"
          title="A list of subjects"
          :columns="titlesOf(subjectColumns)"
          :words="['subject', 'subjects']"
          :plan="planSubjects"
        />
      </div>
    </div>
  </section>
</template>
