import { defineStore } from 'pinia'
import type { SignedIn } from '~~/contracts/session'
import { ApiProblem, askServer } from '~/composables/useApi'

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const person = shallowRef<SignedIn | null>(null)
  const asked = ref(false)
  /** True when the server no longer knows us while work is on the screen: sign-in comes up over it. */
  const expired = ref(false)

  async function look(): Promise<void> {
    try {
      person.value = await askServer<SignedIn | null>('GET', '/api/session')
    } catch (problem) {
      if (!(problem instanceof ApiProblem) || problem.status !== 401) throw problem
      person.value = null
    } finally {
      asked.value = true
    }
  }

  async function signIn(name: string, password: string): Promise<void> {
    person.value = await askServer<SignedIn>('POST', '/api/session', { name, password })
    asked.value = true
    expired.value = false
  }

  async function signOut(): Promise<void> {
    try {
      await askServer('DELETE', '/api/session')
    } catch (problem) {
      // Signed out already, on another machine.
      if (!(problem instanceof ApiProblem) || problem.status !== 401) throw problem
    }
    person.value = null
  }

  return { person, asked, expired, look, signIn, signOut }
})
