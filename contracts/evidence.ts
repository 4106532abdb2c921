import { z } from 'zod'
import { fields } from '../core/record/fields'
import { practiceKinds, practiceProblem } from '../core/record/practice'
import { mostQuestions } from '../core/record/questions'
import { presences } from '../core/record/register'
import { photoProblem } from '../core/people/photo'
import { key } from '../core/text/textSchema'
import { day } from './days'
import { noneTwice } from './text'

const question = z.object({
  number: z.number().int().min(1).max(mostQuestions),
  words: fields.questionWords,
  skill: key.nullable(),
  outOf: fields.outOf,
})
export type QuestionKept = z.infer<typeof question>

const questions = noneTwice(question, mostQuestions, ({ number }) => String(number))
const score = fields.score.nullable()
const answer = z.object({
  workId: z.uuid(),
  number: z.number().int().min(1).max(mostQuestions),
  studentId: z.uuid(),
  score,
  was: score,
})

const answerList = noneTwice(answer, 20_000, (each) => `${each.workId} ${each.number} ${each.studentId}`)

/** What children reached in questions; null empties a cell. `was`: what the writer saw. */
export const answersToWrite = z.object({
  answers: answerList.min(1),
})
export type AnswerToWrite = z.infer<typeof answer>

/** The questions of a piece of work as they shall be, with answers that come along; those taken away lose theirs. */
export const questionsToKeep = z.object({
  workId: z.uuid(),
  questions,
  was: questions,
  answers: answerList.default([]),
})
export type QuestionsToKeep = z.infer<typeof questionsToKeep>

const practised = z.object({
  amount: fields.practised.nullable(),
  beside: fields.practised.nullable(),
})
const practice = z
  .object({
    studentId: z.uuid(),
    program: fields.program,
    kind: z.enum(practiceKinds),
    name: fields.practiceName,
    practised: practised.nullable(),
    was: practised.nullable(),
  })
  .superRefine(({ practised: now, ...each }, found) => {
    const message = now && practiceProblem({ ...each, ...now })
    if (message !== null) found.addIssue({ code: 'custom', message })
  })

/** What children practised in programs of their own; null takes it away. */
export const practiceToKeep = noneTwice(practice, 20_000, (each) =>
  [each.studentId, each.program, each.kind, each.name].join('\u0000'),
)
export type PracticeToKeep = z.infer<typeof practice>

const presence = z.enum(presences).nullable()
const registerCell = z.object({ studentId: z.uuid(), day, presence, was: presence })
/** Lines of the register; null takes a day back. */
export const registerToKeep = z.object({
  days: noneTwice(registerCell, 20_000, (each) => `${each.studentId} ${each.day}`).min(1),
})
export type RegisterToKeep = z.infer<typeof registerCell>

const photo = z.object({
  studentId: z.uuid(),
  /** A JPEG as base64; null takes the photo away. */
  jpeg: z
    .string()
    .max(200_000)
    .superRefine((jpeg, found) => {
      const message = photoProblem(jpeg)
      if (message !== null) found.addIssue({ code: 'custom', message })
    })
    .nullable(),
  /** The fingerprint of the photo that the writer saw. */
  was: z.string().max(64).nullable(),
})
export const photosToKeep = z.object({ photos: noneTwice(photo, 500, (each) => each.studentId).min(1) })
export type PhotoToKeep = z.infer<typeof photo>
