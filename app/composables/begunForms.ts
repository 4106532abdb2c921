/**
 * Marks a form that somebody types in, until it is sent. A form says `data-keeps` where its words are kept or watched
 * by itself, or are nothing that is kept.
 */
export function noteTyping({ target }: Event): void {
  const form = target instanceof Element ? target.closest('form') : null
  if (form && !('keeps' in form.dataset)) form.dataset.begun = ''
}

/** A form that is sent is no longer begun; what is wrong with it is said beside it. */
export function noteSending({ target }: Event): void {
  if (target instanceof HTMLFormElement) delete target.dataset.begun
}

/** Forms in which somebody has typed what stands there still, and has not sent it. */
export function begunForms(page: ParentNode): HTMLFormElement[] {
  return [...page.querySelectorAll<HTMLFormElement>('form[data-begun]')].filter((form) =>
    [...form.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>('input, textarea')].some(holdsWords),
  )
}

function holdsWords(field: HTMLInputElement | HTMLTextAreaElement): boolean {
  return !['checkbox', 'radio', 'file', 'password'].includes(field.type) && field.value.trim() !== ''
}
