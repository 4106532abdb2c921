type Field = HTMLInputElement | HTMLTextAreaElement

/** What stands in each field, as it was told last; and whether something else is being typed there. */
const fields = new WeakMap<Field, { stands: string; isTyped: boolean }>()

function show(field: Field): void {
  const kept = fields.get(field)
  if (kept && !kept.isTyped && field.value !== kept.stands) field.value = kept.stands
}

/** What a field may show; nothing is an empty field. */
type Standing = string | number | null | undefined

/**
 * `v-stands="text"`: a field shows what stands there, as `:value` does, but never over what somebody is typing in it:
 * what others change is shown by itself, and may come between two keys. When the field is left, what stands is shown.
 *
 * `v-stands.asked="text"` is for a field whose change is asked for when it is left: what was typed stays in it until
 * something else stands, so that nothing flickers meanwhile, and what was refused can be mended.
 */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.directive<Field, Standing, 'asked'>('stands', {
    mounted(field, { value, modifiers }) {
      fields.set(field, { stands: String(value ?? ''), isTyped: false })
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
          if (!modifiers.asked) void nextTick(() => show(field))
        })
    },
    updated(field, { value, modifiers }) {
      const kept = fields.get(field)
      const stands = String(value ?? '')
      const isAsOnce = kept?.stands === stands
      if (kept) kept.stands = stands
      if (!modifiers.asked || !isAsOnce) show(field)
    },
  })
})
