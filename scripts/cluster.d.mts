export interface Cluster {
  url: (database: string) => string
  port: number
  startedHere: boolean
  stop: () => void
  start: () => void
  keepUp: () => () => void
}
export function startCluster(folder: string): Promise<Cluster>
