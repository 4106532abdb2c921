export interface KeptProcess {
  pid: () => number | undefined
  stop: () => Promise<unknown>
}
export interface ProcessesToStart {
  databaseUrl: string
  port: number
  secret: string
  dev?: boolean
  quiet?: boolean
  pidFile?: string | null
  setUpKey?: string
}
export function startProcesses(wanted: ProcessesToStart): {
  web: KeptProcess
  press: KeptProcess
  stop: () => Promise<unknown>
}
export function whenHealthy(port: number, seconds?: number): Promise<void>
