import { z } from 'zod'

export const signIn = z.object({
  name: z.string().trim().min(1, 'Write your sign-in name.').max(80),
  password: z.string().min(1, 'Write your password.').max(200),
})

/** Who is signed in, as the pages show it. */
export interface SignedIn {
  id: string
  name: string
  role: 'teacher' | 'coordinator'
}
