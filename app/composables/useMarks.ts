import { markText } from '~~/core/marks/markText'
import { markLevel } from '~~/core/marks/settledMark'
import { useClassRecord } from '~/stores/classRecord'
import { useSettings } from '~/stores/settings'

/** Marks as the person who is signed in likes to see them. */
export function useMarks() {
  const classRecord = useClassRecord()
  const settings = useSettings()

  function symbolOf(percent: number, subjectKey: string): string | undefined {
    const { index } = classRecord
    if (!index) return undefined
    const scale = index.markScaleOf(subjectKey)
    return scale && markLevel(percent, scale, index.rulesOf(subjectKey))?.symbol
  }

  /** "84 %", "B" or "16.8 of 20"; a dash where there is no mark. */
  function markShown(percent: number | null | undefined, subjectKey: string, decimals = 0): string {
    return percent === null || percent === undefined
      ? '—'
      : markText(percent, symbolOf(percent, subjectKey), settings.own, decimals)
  }

  /** The level beside a mark; nothing where the mark is shown by its level already. */
  const besideMark = (symbol: string | undefined): string => (settings.own.marksAs === 'letter' ? '' : (symbol ?? ''))

  return { markShown, besideMark, symbolOf }
}
