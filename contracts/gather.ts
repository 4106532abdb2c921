import { z } from 'zod'
import { correctionSchema } from '../core/exchange/gradebook/correctMapping'
import { gradebookMappingSchema } from '../core/exchange/gradebook/gradebookMapping'
import { key } from '../core/text/textSchema'

/** With a correction, the file is planned as it is read then. */
export const importToPlan = z.object({ mapping: gradebookMappingSchema, correction: correctionSchema.optional() })
/** `fingerprint` is that of the plan the teacher saw: if the class has changed since, a new plan is shown first. */
export const importToApply = z.object({ mapping: gradebookMappingSchema, fingerprint: key })
