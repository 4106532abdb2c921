import { z } from 'zod'
import { isTimeZone } from '../core/school/timeZone'
import { layoutSchema } from '../core/school/layout'
import { markRulesSchema } from '../core/marks/markRules'
import { possessiveRules } from '../core/narrative/possessive'
import { phraseSchema } from '../core/narrative/phrase'
import { boxFields, habitFields, scaleFields, skillFields, subjectFields } from '../core/school/setupFields'
import { neededText, text, trimmedText } from '../core/text/textSchema'

const position = z.number().int().min(0).max(10_000)
/** What is not used any more but has been rated or written in stays, retired. */
const retired = z.boolean()

export const subjectRow = subjectFields.extend({ position, retired })
export const skillRow = skillFields.extend({ position, retired })
export const habitRow = habitFields.extend({ position, retired })
export const boxRow = boxFields.extend({ plan: text(2000), position, retired })
export const scaleRow = scaleFields

/** A phrase of the school's, as a set-up brings it. */
export const phraseRow = phraseSchema.omit({ owner: true }).extend({ position })

const change = <Kind extends string, Row extends z.ZodType>(kind: Kind, row: Row) =>
  z.object({ kind: z.literal(kind), row: row.nullable(), was: row.nullable() })

/** One row of the set-up as it shall be, and as its writer saw it. */
export const setupChange = z.discriminatedUnion('kind', [
  change('subject', subjectRow),
  change('skill', skillRow),
  change('habit', habitRow),
  change('box', boxRow),
  change('scale', scaleRow),
  change('phrase', phraseRow),
])
export type SetupChange = z.infer<typeof setupChange>
export type SetupKind = SetupChange['kind']

export const setupToWrite = z.object({ changes: z.array(setupChange).min(1).max(20_000) })

/** The school itself, apart from what its checks look for, and how its reports are arranged. */
const schoolAndReport = z.object({
  name: neededText(120, 'A school needs a name.'),
  place: trimmedText(120),
  timeZone: z.string().refine(isTimeZone, 'Write a time zone as Europe/Lisbon.').optional(),
  markRules: markRulesSchema,
  possessives: z.enum(possessiveRules),
  layout: layoutSchema
    .extend({ title: neededText(120, 'A report needs a title.') })
    .refine(({ parts }) => parts.length > 0, 'A report needs a part at least.')
    .refine(({ parts }) => new Set(parts).size === parts.length, 'A part of the report stands there twice.'),
})
export type SchoolAndReport = z.infer<typeof schoolAndReport>

/** The school as it shall be. `was`: as its writer saw it. */
export const schoolToWrite = z.object({ school: schoolAndReport, was: schoolAndReport })
export type SchoolToWrite = z.infer<typeof schoolToWrite>

export type SubjectRow = z.infer<typeof subjectRow>
export type SkillRow = z.infer<typeof skillRow>
export type HabitRow = z.infer<typeof habitRow>
export type BoxRow = z.infer<typeof boxRow>
export type ScaleRow = z.infer<typeof scaleRow>

/** The set-up of a year with what is retired, and how much rests on each row of it. */
export interface OwnSetupAnswer {
  year: string
  school: SchoolAndReport
  subjects: SubjectRow[]
  skills: SkillRow[]
  habits: HabitRow[]
  boxes: BoxRow[]
  scales: ScaleRow[]
  uses: SetupUses
}

/** How many ratings, marks or texts of the year rest on something, by its key; of a scale, by the level's symbol. */
export interface SetupUses {
  subject: Record<string, number>
  skill: Record<string, number>
  habit: Record<string, number>
  box: Record<string, number>
  scale: Record<string, Record<string, number>>
}
