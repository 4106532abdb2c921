type Field = HTMLInputElement | HTMLTextAreaElement

/** What stands in each field, as it was told last; and whether something else is being typed there. */
const fields = new WeakMap<Field, { stands: string; isTyped: boolean }>()

function show(field: Field): void {
  const kept = fields.get(field)
  if (kept && !kept.isTyped && field.value !== kept.stands) field.value = kept.stands
}

/**
 * `v-stands="text"`: a field shows what stands there, as `:value` does, but never over what somebody is typing in it:
 * what others change is shown by itself, and may come between two keys. When the field is left, what stands is shown.
 */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.directive<Field, string | number>('stands', {
    mounted(field, { value }) {
      fields.set(field, { stands: String(value), isTyped: false })
      show(field)
      field.addEventListener('input', () => {
        const kept = fields.get(field)
        if (kept) kept.isTyped = true
      })
      for (const left of ['change', 'blur'])
        field.addEventListener(left, () => {
          const kept = fields.get(field)
          if (kept) kept.isTyped = false
          // What was typed has been taken or refused by then.
          void nextTick(() => show(field))
        })
    },
    updated(field, { value }) {
      const kept = fields.get(field)
      if (kept) kept.stands = String(value)
      show(field)
    },
  })
})
