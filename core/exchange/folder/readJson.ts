import type { z } from 'zod'
import type { FolderReader } from './folderReader'

/** A folder's JSON file, checked; null after reporting what is wrong with it, or that it is missing. */
export function readJson<T>(folder: FolderReader, file: string, schema: z.ZodType<T>): T | null {
  const text = folder.text(file)
  if (text === null) return null
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch (error) {
    folder.report(file, null, null, `This is no JSON: ${error instanceof Error ? error.message : String(error)}`)
    return null
  }
  const read = schema.safeParse(value)
  if (read.success) return read.data
  for (const issue of read.error.issues) folder.report(file, null, issue.path.join('.'), issue.message)
  return null
}
