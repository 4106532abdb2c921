/**
 * Takes the application that is this worker's among those that scripts/test.mjs has started: its address, its database
 * and its processes. Where one was started by hand, that is everybody's.
 * @param worker from 0
 */
export function takeOwnApp(worker: number): void {
  const apps = JSON.parse(process.env.FACUNDA_APPS ?? '[]') as NodeJS.ProcessEnv[]
  Object.assign(process.env, apps[worker % Math.max(1, apps.length)])
}

/** How many applications there are to test at once. */
export function countApps(): number {
  return Math.max(1, (JSON.parse(process.env.FACUNDA_APPS ?? '[]') as unknown[]).length)
}
