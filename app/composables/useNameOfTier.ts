import type { Tier } from '~~/core/scales/tier'
import { useClassRecord } from '~/stores/classRecord'

/** What the school calls a tier: its level on the scale of the box in view, or null where it has none there. */
export function useNameOfTier(): (tier: Tier) => string | null {
  const classRecord = useClassRecord()
  return (tier) => {
    const subject = classRecord.record?.subjects.find((each) => each.key === classRecord.box?.subject)
    const scale = classRecord.record?.scales.find(
      (each) => each.key === (subject?.skillScale ?? classRecord.record?.habits[0]?.scale),
    )
    return scale?.levels.find((level) => level.tier === tier)?.name ?? null
  }
}
