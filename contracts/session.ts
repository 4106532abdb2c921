import { z } from 'zod'
import { text } from '../core/text/textSchema'

export const signIn = z.object({
  name: text(80)
    .transform((name) => name.trim())
    .pipe(z.string().min(1, 'Write your sign-in name.')),
  password: z.string().min(1, 'Write your password.').max(200),
})

/** Who is signed in, as the pages show it. */
export interface SignedIn {
  id: string
  name: string
  /** Whether the school's set-up is theirs to change. */
  setsUp: boolean
}
