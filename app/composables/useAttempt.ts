/**
 * Does something that may fail: says that it is under way, and what went wrong in words for the person at the screen.
 */
export function useAttempt() {
  const busy = ref(false)
  const problem = ref('')

  async function attempt(doing: () => Promise<void>): Promise<void> {
    busy.value = true
    problem.value = ''
    try {
      await doing()
    } catch (error) {
      problem.value = error instanceof Error ? error.message : String(error)
    } finally {
      busy.value = false
    }
  }

  return { busy, problem, attempt }
}
