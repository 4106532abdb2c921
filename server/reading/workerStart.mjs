import { workerData } from 'node:worker_threads'
import { register } from 'tsx/esm/api'

// A worker thread has to be told for itself how TypeScript is read; then it is the worker that it was started as.
register()
await import(workerData)
