import { z } from 'zod'

/** The students whose reports are to be made; none named means all. */
export const reportsToMake = z.object({ students: z.array(z.uuid()).max(5000) })
