import type { Observation } from '~~/core/record/observations'
import { useClassRecord } from '~/stores/classRecord'

/** What a note is about, in the school's words; empty for the child as such, or what the reader may not see. */
export function useAboutOfNote(): (note: Pick<Observation, 'kind' | 'about'>) => string {
  const classRecord = useClassRecord()
  return ({ kind, about }) => {
    const { record } = classRecord
    if (!record || kind === null) return ''
    if (kind === 'work') return record.work.find(({ id }) => id === about)?.title ?? ''
    if (kind === 'habit') return record.habits.find(({ key }) => key === about)?.name ?? ''
    return record.skills.find(({ id }) => id === about)?.statement ?? ''
  }
}
