import { nameOfAbout } from '~~/core/record/nameOfAbout'
import { useClassRecord } from '~/stores/classRecord'

/** What a part of the comment in view speaks of, as the school calls it. */
export function useNameOfAbout(): (about: string) => string {
  const classRecord = useClassRecord()
  return (about) =>
    classRecord.record ? nameOfAbout(classRecord.record, classRecord.box?.subject ?? null, about) : about
}
