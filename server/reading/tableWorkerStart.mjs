import { register } from 'tsx/esm/api'

// A worker thread has to be told for itself how TypeScript is read; then it is the worker.
register()
await import('./tableWorker.ts')
