export interface Cluster {
  url: (database: string) => string
  port: number
  stop: () => void
  start: () => void
}
export function startCluster(folder: string): Promise<Cluster>
