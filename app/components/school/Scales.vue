<script setup lang="ts">
import { keyFor } from '~~/core/school/keyFor'
import type { ScaleRow } from '~~/contracts/ownSetup'
import { scaleColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planScaleList } from '~~/core/exchange/lists/planScaleList'
import { readList } from '~~/core/exchange/lists/readList'
import { scaleProblems, type Scale } from '~~/core/scales/scale'
import { tiers } from '~~/core/scales/tier'
import { useOwnSchool } from '~/stores/ownSchool'

/** Scales with their levels, best first; a change is shown with what rests on it before it is kept. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadSetup))
const titles = { mark: 'Marks', skill: 'Skills', habit: 'Habits' } as const
const kinds = ['mark', 'skill', 'habit'] as const
/** What is being changed, until it is kept or thrown away; by key. */
const drafts = reactive<Record<string, ScaleRow>>({})
const shown = (scale: ScaleRow): ScaleRow => drafts[scale.key] ?? scale
const isChanged = (scale: ScaleRow): boolean => drafts[scale.key] !== undefined

function change(scale: ScaleRow, part: Partial<ScaleRow>): void {
  drafts[scale.key] = { ...shown(scale), ...part }
}

function changeLevel(scale: ScaleRow, at: number, part: Partial<ScaleRow['levels'][number]>): void {
  change(scale, { levels: shown(scale).levels.map((level, nth) => (nth === at ? { ...level, ...part } : level)) })
}

function addLevel(scale: ScaleRow): void {
  const last = shown(scale).levels.at(-1)
  const lowestPercent = scale.kind === 'mark' ? 0 : null
  const level = { symbol: '', name: '', familySentence: '', tier: last?.tier ?? tiers[0], lowestPercent }
  change(scale, { levels: [...shown(scale).levels, level] })
}

function addScale(kind: ScaleRow['kind']): Promise<void> {
  const all = school.setup?.scales ?? []
  const like = all.find((each) => each.kind === kind)
  const key = keyFor(
    `${kind}s`,
    all.map((each) => each.key),
  )
  const row: ScaleRow = { key, name: `${titles[kind]}, another scale`, kind, levels: like?.levels ?? [] }
  return attempt(() => school.writeSetup([{ kind: 'scale', row, was: null }]))
}

function keep(scale: ScaleRow): Promise<void> {
  const row = shown(scale)
  return attempt(async () => {
    await school.writeSetup([{ kind: 'scale', row, was: scale }])
    throwAway(scale)
  })
}

function throwAway({ key }: ScaleRow): void {
  // eslint-disable-next-line @typescript-eslint/no-dynamic-delete -- a record by key, as reactive() follows it
  delete drafts[key]
}

/** What a change does, before it is kept. */
function effects(scale: ScaleRow): string[] {
  const uses = school.setup?.uses.scale[scale.key] ?? {}
  const now = shown(scale)
  const gone = scale.levels.filter((level) => !now.levels.some((each) => each.symbol === level.symbol))
  const moved = now.levels.filter((level) => {
    const before = scale.levels.find((each) => each.symbol === level.symbol)
    return before && (before.tier !== level.tier || before.name !== level.name)
  })
  return [
    ...scaleProblems(now),
    ...gone.map(({ symbol }) =>
      uses[symbol] ? `${uses[symbol]} ratings use ${symbol}, so it has to stay.` : `${symbol} is not used and goes.`,
    ),
    ...moved.map(({ symbol }) => `${uses[symbol] ?? 0} ratings use ${symbol} and are told anew.`),
  ]
}

const setupList = useSetupList()
function plan(text: string) {
  const list = readList(text, scaleColumns)
  const scales = school.setup?.scales ?? []
  return setupList({
    list,
    made: planScaleList(list, scales),
    changeOf: (row, was) => ({ kind: 'scale', row: plain(row), was: was && plain(was) }),
    lineOf: ({ name, kind, levels }) => `${name}, for ${kind}s: ${levels.map(({ symbol }) => symbol).join(', ')}`,
  })
}

function plain(scale: Scale): ScaleRow {
  return { ...scale, levels: [...scale.levels] }
}
</script>

<template>
  <section aria-labelledby="scales">
    <h2 id="scales" class="text-xl font-semibold">Scales of {{ school.setup?.year }}</h2>
    <p class="mt-1 max-w-160">
      Levels stand best first. How far on a level is decides which sentences may tell it; the symbol is what teachers
      type and families see.
    </p>
    <p v-if="problem" class="needs mt-3" role="alert">{{ problem }}</p>
    <section v-for="kind in kinds" :key="kind" class="mt-6" :aria-label="titles[kind]">
      <h3 class="font-semibold">{{ titles[kind] }}</h3>
      <div v-for="scale in school.setup?.scales.filter((each) => each.kind === kind)" :key="scale.key" class="mt-2">
        <input
          class="cell w-72 font-semibold"
          aria-label="Name of the scale"
          :value="shown(scale).name"
          @change="change(scale, { name: valueOf($event) })"
        />
        <div class="relative overflow-x-auto">
          <table class="text-sm">
            <caption class="sr-only">
              {{
                scale.name
              }}
            </caption>
            <thead>
              <tr class="border-b border-rule text-left text-muted">
                <th scope="col" class="pr-2 font-normal">Symbol</th>
                <th scope="col" class="pr-2 font-normal">Name</th>
                <th scope="col" class="pr-2 font-normal">As a family reads it</th>
                <th scope="col" class="pr-2 font-normal">How far on</th>
                <th v-if="kind === 'mark'" scope="col" class="px-2 font-normal">From %</th>
                <th v-else scope="col" class="px-3 font-normal">Ratings</th>
                <td></td>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(level, at) in shown(scale).levels" :key="at" class="border-b border-rule">
                <td>
                  <input
                    class="cell w-16"
                    :aria-label="`Symbol of level ${at + 1}`"
                    :value="level.symbol"
                    @change="changeLevel(scale, at, { symbol: valueOf($event) })"
                  />
                </td>
                <td>
                  <input
                    class="cell w-36"
                    :aria-label="`Name of level ${level.symbol}`"
                    :value="level.name"
                    @change="changeLevel(scale, at, { name: valueOf($event) })"
                  />
                </td>
                <td>
                  <input
                    class="cell w-120"
                    :aria-label="`Sentence for families of level ${level.symbol}`"
                    :value="level.familySentence"
                    @change="changeLevel(scale, at, { familySentence: valueOf($event) })"
                  />
                </td>
                <td>
                  <select
                    class="cell"
                    :aria-label="`How far on level ${level.symbol} is`"
                    :value="level.tier"
                    @change="
                      changeLevel(scale, at, { tier: tiers.find((each) => each === valueOf($event)) ?? level.tier })
                    "
                  >
                    <option v-for="tier in tiers.toReversed()" :key="tier" :value="tier">{{ tier }}</option>
                  </select>
                </td>
                <td v-if="kind === 'mark'">
                  <input
                    class="cell w-16 tabular-nums"
                    inputmode="decimal"
                    :aria-label="`Lowest percentage of ${level.symbol}`"
                    :value="level.lowestPercent"
                    @change="changeLevel(scale, at, { lowestPercent: Number(valueOf($event).replace(',', '.')) || 0 })"
                  />
                </td>
                <td v-else class="px-3 tabular-nums">{{ school.setup?.uses.scale[scale.key]?.[level.symbol] ?? 0 }}</td>
                <td>
                  <button
                    type="button"
                    class="link"
                    @click="change(scale, { levels: shown(scale).levels.filter((_, nth) => nth !== at) })"
                  >
                    take away <span class="sr-only">{{ level.symbol }}</span>
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="mt-2 flex flex-wrap items-center gap-3">
          <button type="button" class="quiet text-sm" @click="addLevel(scale)">Add a level</button>
          <template v-if="isChanged(scale)">
            <button type="button" class="press text-sm" :disabled="busy" @click="keep(scale)">
              Keep {{ shown(scale).name }}
            </button>
            <button type="button" class="link text-sm" @click="throwAway(scale)">Throw the change away</button>
          </template>
        </p>
        <ul v-if="isChanged(scale) && effects(scale).length > 0" class="mt-1 text-sm" role="status">
          <li v-for="each in effects(scale)" :key="each">{{ each }}</li>
        </ul>
      </div>
      <button type="button" class="link mt-2 text-sm" :disabled="busy" @click="addScale(kind)">
        Another scale for {{ titles[kind].toLowerCase() }}
      </button>
    </section>
    <ListImport
      class="mt-8 max-w-4xl"
      title="Scales as a list of levels"
      :columns="titlesOf(scaleColumns)"
      :words="['scale', 'scales']"
      :plan="plan"
    />
  </section>
</template>
