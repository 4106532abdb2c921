import { z } from 'zod'
import { isKeepable } from './plainText'

const reason = 'There is a character in this text that cannot be kept. Take it out, or type the text again.'

/** Any text that a person writes: of no more than so many UTF-16 units, without what cannot be kept, composed (NFC). */
export function text(most: number, tooLong = `Keep this under ${most.toLocaleString('en')} characters.`) {
  return z
    .string()
    .max(most, tooLong)
    .refine(isKeepable, reason)
    .transform((written) => written.normalize('NFC'))
}

/** The same without blanks around it. */
export function trimmedText(most: number) {
  return text(most).transform((written) => written.trim())
}

/** The same, and something has to be written. */
export function neededText(most: number, missing: string) {
  return trimmedText(most).pipe(z.string().min(1, missing))
}

/** The key or name of something that is set up already. */
export const key = z.string().min(1).max(80).refine(isKeepable, reason)
