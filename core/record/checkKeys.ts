import { z } from 'zod'

/**
 * What a finding can be of, as it is kept with what a teacher has said is right, and shown above it. Each is found in
 * the file of its name in core/checks, and what is said of it stands in explanations.ts there; the database and the
 * school folder know the same keys. One that is
 * taken away stays here, as what was said of it is kept.
 */
export const checkKeys = [
  'another name',
  'another subject',
  'another time',
  'blank left',
  'comment without mark',
  'contradicts the level',
  'contradicts the record',
  'describing word twice',
  'empty',
  'grammar',
  'hard to read',
  'mark and levels differ',
  'mark without comment',
  'name missing',
  'not settled',
  'out of step',
  'own name',
  'private matter',
  'pronoun',
  'read it first',
  'repeated word',
  'same text',
  'spacing',
  'spelling',
  'too long',
  'very short',
  'word not wanted',
] as const
export type CheckKey = (typeof checkKeys)[number]
export const checkKey = z.enum(checkKeys)
