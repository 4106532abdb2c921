import { watchDebounced } from '@vueuse/core'
import { dequal } from 'dequal'
import type { FileAnswer, PlanAnswer, SheetAnswer } from '~~/contracts/answers'
import type { Correction } from '~~/core/exchange/gradebook/correctMapping'
import type { GradebookMapping, SignMeaning } from '~~/core/exchange/gradebook/gradebookMapping'
import { signKey } from '~~/core/exchange/gradebook/takeScore'
import { askServer } from '~/composables/useApi'

/** How a gradebook file that was brought is read: each correction shows at once what taking it in would change. */
export function useFileReading(file: FileAnswer) {
  const { busy, problem, attempt } = useAttempt()
  const sheet = shallowRef<SheetAnswer>(file)
  const mapping = ref<GradebookMapping>(file.mapping)
  const plan = shallowRef<PlanAnswer | null>(null)
  /** Columns that followed the one that was corrected, to be set back by a press; null where none did. */
  const followed = shallowRef<{ column: number; others: number[]; before: GradebookMapping['columns'] } | null>(null)

  /** Questions are asked one after the other, so that each correction is one of what the others left. */
  let before: Promise<void> = Promise.resolve()
  function look(correction?: Correction): Promise<void> {
    before = before.then(() => attempt(() => ask(correction)))
    return before
  }

  async function ask(correction?: Correction): Promise<void> {
    if (!correction && dequal(mapping.value, plan.value?.mapping)) return
    const question = { mapping: mapping.value, correction }
    const answer = await askServer<PlanAnswer>('POST', `/api/files/${file.id}/plan`, question)
    if (answer.mapping.sheet !== mapping.value.sheet) return
    plan.value = answer
    // What was said beside the columns and rows meanwhile stays, and is asked about next.
    const { columns, describingRows, headingRow, shape } = answer.mapping
    mapping.value = { ...mapping.value, columns, describingRows, headingRow, shape }
  }

  watchDebounced(mapping, () => look(), { debounce: 150, deep: true, immediate: true })

  /** What one correction changes is worked out beside the whole file. */
  async function correct(correction: Correction): Promise<void> {
    const { columns: stood, shape } = mapping.value
    await look(correction)
    const { columns: after } = mapping.value
    const isOneColumn = 'column' in correction && shape === mapping.value.shape
    const others = isOneColumn
      ? after.flatMap((role, at) => (at !== correction.column && role !== stood[at] ? [at] : []))
      : []
    followed.value = isOneColumn && others.length > 0 ? { column: correction.column, others, before: stood } : null
  }

  function onlyThisOne(): void {
    if (!followed.value) return
    const { column, before } = followed.value
    const columns = mapping.value.columns.map((role, at) => (at === column ? role : (before[at] ?? role)))
    mapping.value = { ...mapping.value, columns }
    followed.value = null
  }

  function chooseSheet(name: string): void {
    const chosen = file.sheets.find((each) => each.mapping.sheet === name)
    if (!chosen) return
    plan.value = null
    followed.value = null
    sheet.value = chosen
    mapping.value = chosen.mapping
  }

  function whoIs(written: string, studentId: string): void {
    const { [written]: _before, ...people } = mapping.value.people
    mapping.value = { ...mapping.value, people: studentId ? { ...people, [written]: studentId } : people }
  }

  function allAreWhoTheySeem(people: Record<string, string>): void {
    mapping.value = { ...mapping.value, people: { ...mapping.value.people, ...people } }
  }

  function means(written: readonly string[], meaning: SignMeaning | null): void {
    const said = new Set(written.map(signKey))
    const others = Object.entries(mapping.value.signs).filter(([sign]) => !said.has(sign))
    const now = meaning === null ? [] : [...said].map((sign) => [sign, meaning] as const)
    mapping.value = { ...mapping.value, signs: Object.fromEntries([...others, ...now]) }
  }

  /** Takes the file in as it was seen. @returns the event, and what came in in words; null where it could not be */
  async function takeIn(): Promise<{ event: number | null; summary: string } | null> {
    let taken: { event: number | null; summary: string } | null = null
    await attempt(async () => {
      if (!plan.value) return
      const seen = { mapping: mapping.value, fingerprint: plan.value.fingerprint }
      taken = await askServer<{ event: number | null; summary: string }>('POST', `/api/files/${file.id}/apply`, seen)
    })
    return taken
  }

  return {
    busy,
    problem,
    sheet,
    mapping,
    plan,
    followed,
    correct,
    onlyThisOne,
    chooseSheet,
    whoIs,
    allAreWhoTheySeem,
    means,
    takeIn,
  }
}
