const numbers = 'input[type="number"], input[inputmode="numeric"], input[inputmode="decimal"]'

/** A number that is clicked is chosen whole: what is typed takes its place, and does not come beside it. */
export default defineNuxtPlugin(() => {
  let entered: EventTarget | null = null
  document.addEventListener(
    'pointerdown',
    ({ target }) => {
      entered = target === document.activeElement ? null : target
    },
    { capture: true },
  )
  document.addEventListener('click', ({ target }) => {
    if (target instanceof HTMLInputElement && target === entered && target.matches(numbers)) target.select()
    entered = null
  })
})
