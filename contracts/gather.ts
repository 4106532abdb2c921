import { z } from 'zod'
import { gradebookMappingSchema } from '../core/exchange/gradebookMapping'
import { key } from '../core/text/textSchema'

export const importToPlan = z.object({ mapping: gradebookMappingSchema })
/** `fingerprint` is that of the plan the teacher saw: if the class has changed since, a new plan is shown first. */
export const importToApply = z.object({ mapping: gradebookMappingSchema, fingerprint: key })
