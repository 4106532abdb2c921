<script setup lang="ts">
import { phraseProblem } from '~~/core/exchange/folder/phrasebookFile'
import { claimedBy, factsInWords } from '~~/core/narrative/openParts'
import { factNames, type FactName } from '~~/core/narrative/notation'
import { claimKinds, moves, type Claim, type Phrase } from '~~/core/narrative/phrase'
import { readyPhrase } from '~~/core/narrative/readyPhrase'
import { readGrades, writeGrades } from '~~/core/people/gradeRange'
import { tiers } from '~~/core/scales/tier'
import { narrativeFacts } from '~~/core/record/narrativeFacts'
import { isRedraftable } from '~~/core/record/redraftable'
import type { PhraseChange } from '~~/contracts/phrasebook'
import type { DraftsAnswer } from '~~/contracts/answers'
import { askServer } from '~/composables/useApi'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'
import { useSession } from '~/stores/session'

/** One phrase: its words, when it is said, how it would read for real students, and what a change would touch. */
const props = defineProps<{ phrase: Phrase }>()
const classRecord = useClassRecord()
const phrasebook = usePhrasebook()
const session = useSession()
const nameOfTier = useNameOfTier()
const nameOfAbout = useNameOfAbout()
const { busy, problem, attempt } = useAttempt()

const now = ref<Phrase>({ ...props.phrase })
const grades = ref(writeGrades(props.phrase.grades))
/** The levels of the scale in view. A phrase may also be for one that other scales have: that stays as it is. */
const levelTiers = computed(() => [...tiers].reverse().filter((tier) => nameOfTier(tier) !== null))
const history = shallowRef<PhraseChange[] | null>(null)
const message = ref('')
const draftsInWords = computed(() => `${drafts.value.length} ${drafts.value.length === 1 ? 'draft' : 'drafts'}`)
const may = computed(() => phrasebook.mayChange(props.phrase))
const isNew = computed(() => !phrasebook.phrases.some((each) => each.id === props.phrase.id))
const wrong = computed(() => (now.value.text.trim() === '' ? '' : (phraseProblem({ ...now.value }) ?? '')))
const changed = computed(
  () =>
    JSON.stringify({ ...now.value, grades: readGrades(grades.value) }) !== JSON.stringify(props.phrase) || isNew.value,
)

/** The drafts of the class in view that use the phrase; texts with own words are never touched. */
const users = computed(() =>
  (classRecord.record?.comments ?? []).filter((comment) =>
    comment.sentences.some((sentence) => sentence.phraseIds.includes(props.phrase.id)),
  ),
)
const drafts = computed(() => users.value.filter(isRedraftable))

/** The skills of the strand that the phrase stands under: it may speak of one of them alone. */
const skillsHere = computed(() => {
  const { record, box } = classRecord
  const strand = phrasebook.place?.about
  const own = (record?.skills ?? []).filter((skill) => skill.subject === box?.subject && !skill.teacherOnly)
  const isHere = own.some((skill) => skill.strand === strand)
  return isHere && strand !== undefined ? { strand, skills: own.filter((skill) => skill.strand === strand) } : null
})

const notationArea = useTemplateRef('notation')
/** What each fact would say of the student in view. */
const known = computed((): Partial<Record<FactName, string>> => {
  const { index, student, box } = classRecord
  return index && student && box ? factsInWords(narrativeFacts(index, student.id, box), box.subject, now.value) : {}
})

/** What a phrase claims, as a teacher would say it. */
const saysBy: Readonly<Record<Claim, string>> = {
  level: 'no more than the level says',
  particular: 'something that was seen',
  advice: 'what to do next',
  courtesy: 'nothing about the child',
}
/** What the words alone are taken to say. */
const recognised = computed((): Claim => {
  const { index, student, box } = classRecord
  if (!index || !student || !box || wrong.value !== '') return 'particular'
  return claimedBy(readyPhrase({ ...now.value, claims: null }), narrativeFacts(index, student.id, box))
})

function putIn(fact: FactName): void {
  const at = notationArea.value?.selectionStart ?? now.value.text.length
  now.value.text = `${now.value.text.slice(0, at)}{#${fact}}${now.value.text.slice(at)}`
}

function save(): Promise<void> {
  return attempt(async () => {
    const read = readGrades(grades.value)
    if (read === undefined) throw new Error(`“${grades.value}” is no range of grades, as in 4-6.`)
    const made = { ...now.value, text: now.value.text.trim(), grades: read }
    await phrasebook.write([made])
    phrasebook.phrase = phrasebook.phrases.find((each) => each.id === made.id) ?? null
    message.value =
      drafts.value.length > 0 ? `Saved. ${draftsInWords.value} of this class still use the old words.` : 'Saved.'
  })
}

function takeOut(): Promise<void> {
  return attempt(async () => {
    await phrasebook.write([], [props.phrase.id])
    phrasebook.phrase = null
  })
}

function ownCopy(): void {
  phrasebook.phrase = {
    ...props.phrase,
    id: `p-${crypto.randomUUID().slice(0, 13)}`,
    owner: session.person?.id ?? null,
  }
}

function redraft(): Promise<void> {
  return attempt(async () => {
    let made = 0
    for (const box of new Set(drafts.value.map((comment) => comment.box))) {
      const students = drafts.value.filter((comment) => comment.box === box).map((comment) => comment.studentId)
      const answer = await askServer<DraftsAnswer>('POST', `${classRecord.place}/drafts`, {
        box,
        where: 'empty and drafts',
        students,
      })
      classRecord.putComments(answer.comments)
      made += answer.comments.length
    }
    message.value = `${made} ${made === 1 ? 'draft has' : 'drafts have'} new words.`
  })
}

function showHistory(): Promise<void> {
  return attempt(async () => {
    history.value = await askServer<PhraseChange[]>(
      'GET',
      `${classRecord.yearPath}/phrasebook/history?phrase=${encodeURIComponent(props.phrase.id)}`,
    )
  })
}

function undo(event: number): Promise<void> {
  return attempt(async () => {
    await phrasebook.change('POST', `/api/events/${event}/undo`, {})
    phrasebook.phrase = phrasebook.phrases.find((each) => each.id === props.phrase.id) ?? null
  })
}

function toggle<T>(list: T[], item: T): T[] {
  return list.includes(item) ? list.filter((each) => each !== item) : [...list, item]
}
</script>

<template>
  <div class="grid grid-cols-1 gap-4 text-sm">
    <template v-if="may">
      <FrameEditor v-model="now.text" :always-named="now.part === 'opening' || now.part === 'closing'" />
      <details>
        <summary class="link cursor-pointer">Facts of the record, and the notation</summary>
        <textarea
          ref="notation"
          v-model="now.text"
          rows="3"
          class="field mt-1 w-full font-mono text-xs"
          aria-label="The phrase in the notation"
        />
        <p class="text-muted">A fact goes in at the cursor. For {{ classRecord.student?.usedName }} it would say:</p>
        <ul>
          <li v-for="fact in factNames" :key="fact" class="flex gap-2">
            <button type="button" class="link shrink-0" @click="putIn(fact)">{{ fact }}</button><span
              class="font-serif"
              :class="known[fact] ? '' : 'text-muted'"
              >{{ known[fact] ?? 'not known' }}</span
            >
          </li>
        </ul>
      </details>
      <p v-if="wrong" class="needs" role="alert">{{ wrong }}</p>
      <fieldset class="flex flex-wrap gap-x-3">
        <legend class="small-head">{{ now.uneven ? 'Said where the weakest skill stands at' : 'Said at' }}</legend>
        <label v-for="tier in levelTiers" :key="tier" class="flex items-center gap-1"
          ><input type="checkbox" :checked="now.tiers.includes(tier)" @change="now.tiers = toggle(now.tiers, tier)" />
          {{ nameOfTier(tier) }}</label
        >
        <span v-if="now.tiers.length === 0" class="text-muted">at none marked: at every level</span>
      </fieldset>
      <label v-if="now.part === 'outcome'" class="flex items-center gap-1"
        ><input v-model="now.uneven" type="checkbox" /> For an uneven strand, whose skills lie far apart</label
      >
      <fieldset v-if="now.part === 'progress'" class="flex flex-wrap gap-x-3">
        <legend class="small-head">After a move</legend>
        <label v-for="move in moves" :key="move" class="flex items-center gap-1"
          ><input type="checkbox" :checked="now.moves.includes(move)" @change="now.moves = toggle(now.moves, move)" />
          {{ move }}</label
        >
      </fieldset>
      <label v-if="skillsHere" class="grid min-w-0 grid-cols-1 gap-1"
        >Said of
        <select v-model="now.about" class="field w-full min-w-0">
          <option :value="skillsHere.strand">{{ nameOfAbout(skillsHere.strand) }}, all of it</option>
          <option v-for="skill in skillsHere.skills" :key="skill.id" :value="skill.id">{{ skill.statement }}</option>
          <option v-if="now.about === 'any'" value="any">any strand</option>
        </select>
      </label>
      <label class="grid min-w-0 grid-cols-1 gap-1"
        >Says
        <select v-model="now.claims" class="field w-full min-w-0">
          <option :value="null">as read: {{ saysBy[recognised] }}</option>
          <option v-for="each in claimKinds" :key="each" :value="each">{{ saysBy[each] }}</option>
        </select>
      </label>
      <div class="flex gap-3">
        <label class="grid gap-1">Tone <input v-model="now.tone" class="field w-28" placeholder="any" /></label>
        <label class="grid gap-1">Grades <input v-model="grades" class="field w-24" placeholder="all" /></label>
      </div>
    </template>
    <template v-else>
      <PhraseWords :text="phrase.text" class="text-base" />
      <p class="text-muted">This is the school’s phrase; the coordinator changes it.</p>
      <button type="button" class="quiet justify-self-start" @click="ownCopy">Make one of your own from it</button>
    </template>
    <PhrasePreview v-if="wrong === '' && now.text.trim() !== ''" :phrase="now" />
    <p v-if="users.length > 0" class="text-muted">
      Used in {{ users.length }} {{ users.length === 1 ? 'comment' : 'comments' }} of this class:
      {{ drafts.length }} would change when redrafted, {{ users.length - drafts.length }} with own words or finished
      stay.
    </p>
    <PhraseElsewhere v-if="!isNew" :id="phrase.id" />
    <p v-if="problem" class="needs" role="alert">{{ problem }}</p>
    <p v-if="message" class="border-l-2 border-teal bg-teal-wash px-3 py-2" role="status">{{ message }}</p>
    <div class="flex flex-wrap gap-3">
      <button
        v-if="may"
        type="button"
        class="press"
        :disabled="busy || !changed || wrong !== '' || now.text.trim() === ''"
        @click="save"
      >
        {{
          !isNew ? 'Save the phrase' : now.owner === null ? 'Put into the school’s phrasebook' : 'Put into my phrases'
        }}
      </button>
      <button
        v-if="!isNew && drafts.length > 0 && !changed"
        type="button"
        class="quiet"
        :disabled="busy"
        @click="redraft"
      >
        Redraft {{ drafts.length === 1 ? 'the draft' : `the ${drafts.length} drafts` }}
      </button>
      <button v-if="may && !isNew" type="button" class="quiet" :disabled="busy" @click="takeOut">Take it out</button>
      <button v-if="!isNew && history === null" type="button" class="link" :disabled="busy" @click="showHistory">
        History
      </button>
    </div>
    <div v-if="history">
      <p class="small-head">History</p>
      <p v-if="history.length === 0" class="text-muted">It stands as it came with the phrasebook.</p>
      <ul>
        <li v-for="change in history" :key="change.event" class="border-b border-rule py-1">
          <p class="text-xs text-muted">
            {{ whenText(change.at) }} ·
            {{ change.by }}
          </p>
          <p v-if="change.before" class="font-serif">
            <del>{{ change.before }}</del>
          </p>
          <p class="font-serif">{{ change.after ?? '(taken out)' }}</p>
          <button v-if="change.undoable" type="button" class="link" :disabled="busy" @click="undo(change.event)">
            Undo this change
          </button>
        </li>
      </ul>
    </div>
  </div>
</template>
