import { register } from 'tsx/esm/api'
import { workerData } from 'piscina'

// A worker thread has to be told for itself how TypeScript is read; then it is the worker that it was started as.
register()
const { default: work } = await import(workerData)
export default work
