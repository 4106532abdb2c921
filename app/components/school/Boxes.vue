<script setup lang="ts">
import { roundHalfUp } from '~~/core/marks/rounding'
import { keyFor } from '~~/core/school/keyFor'
import { boxColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planBoxList, type ListedBox } from '~~/core/exchange/lists/planSetupLists'
import { readList } from '~~/core/exchange/lists/readList'
import type { BoxRow } from '~~/contracts/ownSetup'
import { useOwnSchool } from '~/stores/ownSchool'

/** Where texts go on the report, and how much room there is. What they say is planned in the phrasebook. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadSetup))
const name = ref('')
const subject = ref('')
const boxes = computed(() => school.setup?.boxes ?? [])
const subjects = computed(() => (school.setup?.subjects ?? []).filter((each) => !each.retired))

function change({ key }: BoxRow, part: Partial<BoxRow>): Promise<void> {
  return attempt(() => school.changeRow('box', key, () => part))
}

function add(): Promise<void> {
  return attempt(async () => {
    const row: BoxRow = {
      key: keyFor(
        name.value,
        boxes.value.map((each) => each.key),
      ),
      name: name.value,
      subject: subject.value || null,
      limit: 400,
      limitByGrade: [],
      tone: '',
      plan: subject.value ? 'outcome each' : 'habit each',
      position: nextPosition(boxes.value),
      retired: false,
    }
    await school.writeSetup([{ kind: 'box', row, was: null }])
    name.value = ''
  })
}

const setupList = useSetupList()
function plan(text: string) {
  const list = readList(text, boxColumns)
  return setupList({
    list,
    made: planBoxList(list, { boxes: boxes.value, subjects: subjects.value }),
    changeOf: (row, was) => ({ kind: 'box', row: plain(row), was: was && plain(was) }),
    lineOf: ({ name, limit, plan: written }) => `${name}: ${limit} characters, ${written}`,
  })
}

function plain(box: ListedBox): BoxRow {
  return { ...box, limitByGrade: [...(box.limitByGrade ?? [])] }
}
</script>

<template>
  <section aria-labelledby="boxes">
    <h2 id="boxes" class="text-xl font-semibold">Comment boxes of {{ school.setup?.year }}</h2>
    <p class="mt-1 max-w-160">
      Where a text goes on the report and how many characters fit. What a comment is made of is planned in the
      <NuxtLink to="/phrasebook" class="link">phrasebook</NuxtLink>.
    </p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <ul class="mt-4 grid max-w-4xl">
      <li
        v-for="box in boxes"
        :key="box.key"
        class="flex flex-wrap items-end gap-3 border-b border-rule py-2 text-sm"
        :class="box.retired ? 'text-muted' : ''"
      >
        <label class="grid gap-0.5"
          ><span class="text-muted">{{
            box.subject === null
              ? 'General'
              : (school.setup?.subjects.find((each) => each.key === box.subject)?.name ?? '')
          }}</span>
          <input v-stands.asked="box.name" class="field w-56" @change="change(box, { name: valueOf($event) })"
        /></label>
        <label class="grid gap-0.5"
          ><span class="text-muted">Characters</span>
          <input
            v-stands.asked="box.limit"
            class="field w-24 tabular-nums"
            inputmode="numeric"
            @change="change(box, { limit: roundHalfUp(Number(valueOf($event))) || 0 })"
        /></label>
        <RetireButton
          :retired="box.retired"
          :name="box.name"
          :disabled="busy"
          @turn="change(box, { retired: !box.retired })"
        />
        <span class="pb-2 text-muted">{{ restsOn(school.setup?.uses.box[box.key]) }}</span>
        <ByGrade
          class="pb-2"
          :what="`Other room for ${box.name}`"
          :rules="box.limitByGrade"
          :otherwise="box.limit"
          @write="
            (limitByGrade) =>
              change(box, { limitByGrade: limitByGrade.map((rule) => ({ ...rule, is: Number(rule.is) })) })
          "
        />
      </li>
    </ul>
    <form class="mt-4 flex flex-wrap items-end gap-3 text-sm" @submit.prevent="add">
      <label class="grid gap-1">A new comment box <input v-model="name" class="field w-56" required /></label>
      <label class="grid gap-1"
        >In
        <select v-model="subject" class="field">
          <option value="">the general part</option>
          <option v-for="each in subjects" :key="each.key" :value="each.key">{{ each.name }}</option>
        </select></label
      >
      <button type="submit" class="quiet" :disabled="busy">Add box</button>
    </form>
    <ListImport
      class="mt-6 max-w-4xl"
      title="A list of comment boxes"
      :columns="titlesOf(boxColumns)"
      :words="['comment box', 'comment boxes']"
      :plan="plan"
    />
  </section>
</template>
