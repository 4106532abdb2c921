import { z } from 'zod'
import { markRulesSchema } from '../../marks/markRules'
import { possessiveRules } from '../../narrative/possessive'
import { usualCheckSettings } from '../../school/checkSettings'
import { checkSettingsSchema } from '../../school/checkSettingsSchema'
import { layoutSchema } from '../../school/layout'
import type { SchoolSetup } from '../../school/schoolSetup'
import type { FileProblem } from '../problem'
import { FolderReader, type Folder } from './folderReader'
import { readJson } from './readJson'
import { readBoxes, readPhrasebook } from './readNarrativeFiles'
import { readHabits, readScales, readSkills, readSubjects } from './readSchoolFiles'

/** A school as its files have it; its name and place may still be to come. */
export const schoolFile = z.object({
  name: z.string(),
  place: z.string(),
  markRules: markRulesSchema,
  possessives: z.enum(possessiveRules),
  checks: checkSettingsSchema.optional(),
})

/**
 * Reads a school's set-up from a folder of open files (docs/formats.md): what a school begins from, or carries on with.
 * Everything wrong is gathered; with any problem there is no set-up.
 */
export function readSetupFolder(files: Folder): { setup: SchoolSetup | null; problems: FileProblem[] } {
  const folder = new FolderReader(files)
  const school = readJson(folder, 'school.json', schoolFile)
  const layout = readJson(folder, 'layout.json', layoutSchema)
  const scales = readScales(folder)
  const subjects = readSubjects(folder, scales)
  const skills = readSkills(folder, subjects)
  const habits = readHabits(folder, scales)
  const boxes = readBoxes(folder, subjects, skills, habits)
  const phrasebook = readPhrasebook(folder, subjects)
  if (!school || !layout || folder.problems.length > 0) return { setup: null, problems: folder.problems }
  const whole = { ...school, checks: school.checks ?? usualCheckSettings }
  return { setup: { school: whole, layout, scales, subjects, skills, habits, boxes, phrasebook }, problems: [] }
}
