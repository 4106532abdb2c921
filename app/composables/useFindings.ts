import { watchDebounced } from '@vueuse/core'
import { checkComment, isAccepted } from '~~/core/checks/checkComment'
import { languageFindings, type LanguageRemark } from '~~/core/checks/language'
import { plainlyNamed } from '~~/core/checks/plainName'
import type { Finding } from '~~/core/checks/finding'
import type { CommentBox } from '~~/core/narrative/plan'
import type { Student } from '~~/core/record/roster'
import { remarksOn } from '~/composables/useLanguage'
import { useClassRecord } from '~/stores/classRecord'

/** What the checks find in one comment: at once, and what the language check adds a moment later. */
export function useFindings(student: () => Student | null, box: () => CommentBox | null) {
  const classRecord = useClassRecord()
  const remarks = shallowRef<{ text: string; remarks: LanguageRemark[] }>({ text: '', remarks: [] })
  const languageProblem = ref('')
  const text = computed(() => {
    const [who, where] = [student(), box()]
    return (who && where && classRecord.index?.commentOf(who.id, where.key)?.text) ?? ''
  })

  watchDebounced(
    text,
    async (now) => {
      if (now.trim() === '') return
      try {
        const plain = plainlyNamed(now, student()?.usedName ?? '')
        const found = await remarksOn(plain.text)
        remarks.value = {
          text: now,
          remarks: found.map((remark) => ({ ...remark, suggestions: remark.suggestions.map(plain.restored) })),
        }
        languageProblem.value = ''
      } catch (error) {
        languageProblem.value = error instanceof Error ? error.message : String(error)
      }
    },
    { debounce: 500, immediate: true },
  )

  const knownWords = computed(() => {
    const { record } = classRecord
    const words = [
      ...(record?.students ?? []).flatMap((each) => [each.usedName, each.legalGiven, each.family]),
      ...(record?.namesInYear ?? []),
      ...(record?.school.checks.knownWords ?? []),
    ]
    return new Set(words.flatMap((word) => [word, ...word.split(/[\s-]/)]).map((word) => word.toLocaleLowerCase('en')))
  })

  const findings = computed((): Finding[] => {
    const { index } = classRecord
    const [who, where] = [student(), box()]
    if (!index || !who || !where) return []
    const language =
      remarks.value.text === text.value ? languageFindings(remarks.value.remarks, text.value, knownWords.value) : []
    // What a check of our own has found already is not said again by the language check.
    const own = checkComment(index, who, where)
    return [
      ...own,
      ...language.filter(
        (finding) =>
          !isAccepted(finding, { index, student: who, box: where, text: text.value }) &&
          !own.some(
            (each) => each.start < finding.end && each.end > finding.start && each.end - each.start < text.value.length,
          ),
      ),
    ]
  })

  return { findings, text, languageProblem }
}
