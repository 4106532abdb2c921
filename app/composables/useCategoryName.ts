import { useClassRecord } from '~/stores/classRecord'

/** What a category of the subject in view is called, by its key. */
export function useCategoryName(): (key: string) => string {
  const classRecord = useClassRecord()
  return (key) =>
    classRecord.index?.categoriesOf(classRecord.subject?.key ?? '').find((each) => each.key === key)?.name ?? key
}
