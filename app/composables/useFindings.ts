import { watchDebounced } from '@vueuse/core'
import type { Finding } from '~~/core/checks/finding'
import { findingsWithLanguage, knownWords, readableComment, type ReadText } from '~~/core/checks/withLanguage'
import type { CommentBox } from '~~/core/narrative/plan'
import type { Student } from '~~/core/record/roster'
import { remarksOn } from '~/composables/useLanguage'
import { useClassRecord } from '~/stores/classRecord'

/** What the checks find in one comment: at once, and what the language check adds a moment later. */
export function useFindings(student: () => Student | null, box: () => CommentBox | null) {
  const classRecord = useClassRecord()
  const remarks = shallowRef<ReadText>({ text: '', remarks: [] })
  const languageProblem = ref('')
  const text = computed(() => {
    const [who, where] = [student(), box()]
    return (who && where && classRecord.index?.commentOf(who.id, where.key)?.text) ?? ''
  })

  watchDebounced(
    text,
    async (now) => {
      const [who, record] = [student(), classRecord.record]
      if (now.trim() === '' || !who || !record) return
      try {
        const plain = readableComment(now, who, record)
        const found = await remarksOn(plain.text)
        // The text asked for last is read first: an answer to an earlier one says nothing of this one.
        if (text.value !== now) return
        remarks.value = {
          text: now,
          remarks: found.map((remark) => ({ ...remark, suggestions: remark.suggestions.map(plain.restored) })),
        }
        languageProblem.value = ''
      } catch (error) {
        if (text.value !== now) return
        languageProblem.value = error instanceof Error ? error.message : String(error)
      }
    },
    { debounce: 500, immediate: true },
  )

  const known = computed(() => (classRecord.record ? knownWords(classRecord.record) : new Set<string>()))

  const findings = computed((): Finding[] => {
    const { index } = classRecord
    const [who, where] = [student(), box()]
    return index && who && where
      ? findingsWithLanguage(index, who, where, { read: remarks.value, known: known.value })
      : []
  })

  return { findings, text, languageProblem }
}
