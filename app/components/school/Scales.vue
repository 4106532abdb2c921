<script setup lang="ts">
import { keyFor } from '~~/core/school/keyFor'
import type { ScaleRow } from '~~/contracts/ownSetup'
import { scaleColumns, titlesOf } from '~~/core/exchange/lists/listColumns'
import { planScaleList } from '~~/core/exchange/lists/planScaleList'
import { readList } from '~~/core/exchange/lists/readList'
import { scaleProblems, type Scale } from '~~/core/scales/scale'
import { tiers } from '~~/core/scales/tier'
import { useOwnSchool } from '~/stores/ownSchool'

/** Scales with their levels, best first: a change is saved as it is made, as soon as the scale is whole with it. */
const school = useOwnSchool()
const { busy, problem, attempt } = useAttempt()
onMounted(() => attempt(school.loadSetup))
const titles = { mark: 'Marks', skill: 'Skills', habit: 'Habits' } as const
const kinds = ['mark', 'skill', 'habit'] as const
/** What is changed and not saved yet, by key. */
const drafts = reactive(new Map<string, ScaleRow>())
useUnsaved(() => drafts.size > 0)
/** What the last change did that is not plain to see, by key. */
const done = reactive(new Map<string, string[]>())
const shown = (scale: ScaleRow): ScaleRow => drafts.get(scale.key) ?? scale

function change(scale: ScaleRow, part: Partial<ScaleRow>): Promise<void> {
  const { key } = scale
  const row = { ...toRaw(shown(scale)), ...part }
  drafts.set(key, row)
  done.delete(key)
  return attempt(async () => {
    let isSent = false
    await school.changeRow('scale', key, (was) => {
      // What was changed a moment later has this in it, and its own turn.
      isSent = isLast(key, row) && stillWrong(row, was).length === 0
      if (isSent) done.set(key, toldAnew(row, was))
      return isSent ? row : null
    })
    if (isSent && isLast(key, row)) drafts.delete(key)
  })
}

const isLast = (key: string, row: ScaleRow): boolean => toRaw(drafts.get(key)) === row

type Level = ScaleRow['levels'][number]

function changeLevel(scale: ScaleRow, at: number, part: Partial<Level>): Promise<void> {
  const levels = shown(scale).levels.map((level, nth) => (nth === at ? changed(level, part) : level))
  return change(scale, { levels })
}

/** A level is called by its symbol until somebody gives it a name. */
function changed(level: Level, part: Partial<Level>): Level {
  const isNameless = level.name === '' || level.name === level.symbol
  return { ...level, ...(part.symbol && isNameless ? { name: part.symbol } : {}), ...part }
}

function changeLowest(scale: ScaleRow, at: number, written: string): Promise<void> {
  const lowestPercent = Number(written.replace(',', '.'))
  const isPercent = written.trim() !== '' && lowestPercent >= 0 && lowestPercent <= 100
  return changeLevel(scale, at, { lowestPercent: isPercent ? lowestPercent : null })
}

/** A new level stands last, and a little less far on than the one above it. */
async function addLevel(scale: ScaleRow): Promise<void> {
  const { levels } = shown(scale)
  const above = tiers.indexOf(levels.at(-1)?.tier ?? 'sound')
  const tier = tiers[Math.max(0, above - 1)] ?? 'starting'
  const lowestPercent = scale.kind === 'mark' ? 0 : null
  void change(scale, { levels: [...levels, { symbol: '', name: '', familySentence: '', tier, lowestPercent }] })
  await nextTick()
  document.getElementById(symbolField(scale, levels.length))?.focus()
}

const symbolField = ({ key }: ScaleRow, at: number): string => `symbol-${key}-${at}`

async function takeAway(scale: ScaleRow, at: number): Promise<void> {
  const { levels } = shown(scale)
  void change(scale, { levels: levels.filter((_, nth) => nth !== at) })
  await nextTick()
  document.getElementById(symbolField(scale, Math.min(at, levels.length - 2)))?.focus()
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

/** Why a change cannot be saved as it stands. */
function stillWrong(now: ScaleRow, saved: ScaleRow): string[] {
  const uses = school.setup?.uses.scale[saved.key] ?? {}
  const gone = saved.levels.filter((level) => !now.levels.some(({ symbol }) => symbol === level.symbol))
  return [
    ...scaleProblems(now),
    ...gone.flatMap(({ symbol }) => (uses[symbol] ? `${uses[symbol]} ratings use ${symbol}, so it has to stay.` : [])),
  ]
}

/** The same, or what the server said. */
function whyNotSaved(scale: ScaleRow): string[] {
  const wrong = stillWrong(shown(scale), scale)
  return wrong.length > 0 ? wrong : [problem.value]
}

/** What changes for ratings that are there. */
function toldAnew(now: ScaleRow, saved: ScaleRow): string[] {
  const uses = school.setup?.uses.scale[saved.key] ?? {}
  const moved = now.levels.filter(({ symbol, tier, name }) => {
    const before = saved.levels.find((each) => each.symbol === symbol)
    return uses[symbol] && before && (before.tier !== tier || before.name !== name)
  })
  return moved.map(({ symbol }) => `${uses[symbol]} ratings use ${symbol} and are told anew.`)
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
          v-stands.asked="shown(scale).name"
          class="cell w-72 font-semibold"
          aria-label="Name of the scale"
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
                    :id="symbolField(scale, at)"
                    v-stands.asked="level.symbol"
                    class="cell w-16"
                    :aria-label="`Symbol of level ${at + 1}`"
                    @change="changeLevel(scale, at, { symbol: valueOf($event) })"
                  />
                </td>
                <td>
                  <input
                    v-stands.asked="level.name"
                    class="cell w-36"
                    :aria-label="`Name of level ${level.symbol}`"
                    @change="changeLevel(scale, at, { name: valueOf($event) })"
                  />
                </td>
                <td>
                  <input
                    v-stands.asked="level.familySentence"
                    class="cell w-120"
                    :aria-label="`Sentence for families of level ${level.symbol}`"
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
                    v-stands.asked="level.lowestPercent"
                    class="cell w-16 tabular-nums"
                    inputmode="decimal"
                    :aria-label="`Lowest percentage of ${level.symbol}`"
                    @change="changeLowest(scale, at, valueOf($event))"
                  />
                </td>
                <td v-else class="px-3 tabular-nums">{{ school.setup?.uses.scale[scale.key]?.[level.symbol] ?? 0 }}</td>
                <td>
                  <button type="button" class="link" @click="takeAway(scale, at)">
                    take away <span class="sr-only">{{ level.symbol }}</span>
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="mt-2 flex flex-wrap items-center gap-3">
          <button type="button" class="quiet text-sm" @click="addLevel(scale)">Add a level</button>
          <button v-if="drafts.has(scale.key)" type="button" class="link text-sm" @click="drafts.delete(scale.key)">
            Take the change back
          </button>
        </p>
        <div role="status" class="text-sm">
          <div v-if="drafts.has(scale.key) && !busy" class="needs mt-1">
            <p>Not saved yet. The rest is saved with it as soon as this is right:</p>
            <ul class="list-disc pl-5">
              <li v-for="each in whyNotSaved(scale)" :key="each">{{ each }}</li>
            </ul>
          </div>
          <ul v-else>
            <li v-for="each in done.get(scale.key)" :key="each">{{ each }}</li>
          </ul>
        </div>
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
