import { z } from 'zod'
import { byGradeSchema } from '../people/byGrade'
import { gradeRange } from '../people/gradeRange'
import { tiers } from '../scales/tier'
import { key, neededText, trimmedText } from '../text/textSchema'
import { takenBy } from './schoolSetup'

const characters = z
  .number()
  .int('A limit is a whole number of characters.')
  .min(20, 'A comment box needs room for 20 characters at least.')
  .max(10_000, 'A comment box has room for 10,000 characters at most.')

/** What each field of a set-up may hold, whether it is typed, pasted as a list or comes with a school folder. */
export const subjectFields = z.object({
  key,
  name: neededText(80, 'A subject needs a name.'),
  inSentence: trimmedText(80),
  markScale: key,
  skillScale: key,
  markScaleByGrade: byGradeSchema(key),
  skillScaleByGrade: byGradeSchema(key),
  strandNames: z.record(key, neededText(80, 'A strand needs a name.')),
  takenBy: z.enum(takenBy, 'A subject is taken by the class or by groups.').default('class'),
})

export const skillFields = z.object({
  id: key,
  subject: key,
  strand: neededText(80, 'Say to which strand the skill belongs.'),
  statement: neededText(400, 'Write the skill.'),
  familyWords: neededText(400, 'Write the skill in words for families.'),
  inSentence: trimmedText(400),
  does: trimmedText(400),
  grades: gradeRange,
  teacherOnly: z.boolean(),
})

export const habitFields = z.object({
  key,
  name: neededText(80, 'A habit needs a name.'),
  familyWords: neededText(400, 'Write the habit in words for families.'),
  scale: key,
})

export const boxFields = z.object({
  key,
  name: neededText(80, 'A comment box needs a name.'),
  subject: key.nullable(),
  limit: characters,
  limitByGrade: byGradeSchema(characters),
  tone: trimmedText(20),
})

export const scaleFields = z.object({
  key,
  name: neededText(80, 'A scale needs a name.'),
  kind: z.enum(['mark', 'skill', 'habit']),
  levels: z
    .array(
      z.object({
        symbol: neededText(8, 'A level needs a symbol.'),
        name: neededText(80, 'A level needs a name.'),
        familySentence: trimmedText(200),
        tier: z.enum(tiers),
        lowestPercent: z.number().min(0).max(100).nullable(),
      }),
    )
    .max(20, 'A scale has 20 levels at most.'),
})
