export interface Cluster {
  url: (database: string) => string
  port: number
  startedHere: boolean
  stop: () => void
  start: () => void
  keepUp: () => () => void
}
export function startCluster(folder: string): Promise<Cluster>
/** A port of loopback that nothing listens on now. */
export function freePort(): Promise<number>
