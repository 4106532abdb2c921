/** What taking a school folder in would do, told before it is done. */
export interface FolderLook {
  /** The school that the folder is of, and the one that it would come into. */
  from: string
  into: string
  year: string
  /** "12 classes", "280 students, 3 of them here already" and so on. */
  brings: string[]
  /** Why it cannot be taken in as it is; each names the row. At most a handful. */
  problems: string[]
  /** How many more problems there are. */
  moreProblems: number
}

/** So large may a school folder be. */
export const largestFolder = 60 * 1024 * 1024
