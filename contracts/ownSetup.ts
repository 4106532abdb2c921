import { z } from 'zod'
import { isTimeZone } from '../core/school/timeZone'
import { layoutSchema } from '../core/school/layout'
import { markRulesSchema } from '../core/marks/markRules'
import { possessiveRules } from '../core/narrative/possessive'
import { byGradeSchema } from '../core/people/byGrade'
import { gradeRange } from '../core/people/gradeRange'
import { phraseSchema } from '../core/narrative/phrase'
import { tiers } from '../core/scales/tier'
import { key, text } from '../core/text/textSchema'

const trimmed = (most: number) => text(most).transform((written) => written.trim())
const needed = (most: number, missing: string) => trimmed(most).pipe(z.string().min(1, missing))
const position = z.number().int().min(0).max(10_000)
/** What is not used any more but has been rated or written in stays, retired. */
const retired = z.boolean()

export const subjectRow = z.object({
  key,
  name: needed(80, 'A subject needs a name.'),
  inSentence: trimmed(80),
  markScale: key,
  skillScale: key,
  markScaleByGrade: byGradeSchema(key),
  skillScaleByGrade: byGradeSchema(key),
  strandNames: z.record(key, needed(80, 'A strand needs a name.')),
  position,
  retired,
})
export const skillRow = z.object({
  id: key,
  subject: key,
  strand: needed(80, 'Say to which strand the skill belongs.'),
  statement: needed(400, 'Write the skill.'),
  familyWords: needed(400, 'Write the skill in words for families.'),
  inSentence: trimmed(400),
  does: trimmed(400),
  grades: gradeRange,
  teacherOnly: z.boolean(),
  position,
  retired,
})
export const habitRow = z.object({
  key,
  name: needed(80, 'A habit needs a name.'),
  familyWords: needed(400, 'Write the habit in words for families.'),
  scale: key,
  position,
  retired,
})
const characters = z.number().int().min(20, 'A comment box needs room for 20 characters at least.').max(10_000)
export const boxRow = z.object({
  key,
  name: needed(80, 'A comment box needs a name.'),
  subject: key.nullable(),
  limit: characters,
  limitByGrade: byGradeSchema(characters),
  tone: trimmed(20),
  plan: text(2000),
  position,
  retired,
})
export const scaleRow = z.object({
  key,
  name: needed(80, 'A scale needs a name.'),
  kind: z.enum(['mark', 'skill', 'habit']),
  levels: z
    .array(
      z.object({
        symbol: needed(8, 'A level needs a symbol.'),
        name: needed(80, 'A level needs a name.'),
        familySentence: trimmed(200),
        tier: z.enum(tiers),
        lowestPercent: z.number().min(0).max(100).nullable(),
      }),
    )
    .max(20),
})

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
  name: needed(120, 'A school needs a name.'),
  place: trimmed(120),
  timeZone: z.string().refine(isTimeZone, 'Write a time zone as Europe/Lisbon.').optional(),
  markRules: markRulesSchema,
  possessives: z.enum(possessiveRules),
  layout: layoutSchema
    .extend({ title: needed(120, 'A report needs a title.') })
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
