import { answered, type AnsweredQuestion } from '~~/core/record/questions'
import { useClassRecord } from '~/stores/classRecord'

/** The questions of a piece of work with what one child reached in each. */
export function useQuestions(workId: () => string, studentId: () => string): ComputedRef<AnsweredQuestion[]> {
  const classRecord = useClassRecord()
  return computed(() => {
    const { index } = classRecord
    return index ? answered(index.questionsOf(workId()), index.answersOf(workId(), studentId())) : []
  })
}
