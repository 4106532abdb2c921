import { nameOfAbout } from '~~/core/record/nameOfAbout'
import { useClassRecord } from '~/stores/classRecord'

/** What a part of a comment speaks of, as the school calls it. */
export function useNameOfAbout(): (about: string) => string {
  const classRecord = useClassRecord()
  return (about) => nameOfAbout(classRecord.record?.habits ?? [], about)
}
