import { z } from 'zod'
import { markRulesSchema } from '../../marks/markRules'
import { possessiveRules } from '../../narrative/possessive'
import { usualCheckSettings } from '../../school/checkSettings'
import { checkSettingsSchema } from '../../school/checkSettingsSchema'
import { isTimeZone } from '../../school/timeZone'
import { layoutSchema, type Layout } from '../../school/layout'
import { setupInUse, type Retired } from '../../school/keptSetup'
import type { School, SchoolSetup } from '../../school/schoolSetup'
import { text } from '../../text/textSchema'
import type { FileProblem } from '../files/problem'
import { FolderReader, type Folder } from './folderReader'
import { readJson } from './readJson'
import { readBoxes, readPhrasebook } from './readNarrativeFiles'
import { readHabits, readScales, readSkills, readSubjects, retiredIn, withStrandNames } from './readSchoolFiles'

/** A school as its files have it; its name and place may still be to come. */
export const schoolFile = z.object({
  name: text(120),
  place: text(120),
  timeZone: z.string().refine(isTimeZone, 'This is no time zone, as in Europe/Lisbon.').optional(),
  markRules: markRulesSchema,
  possessives: z.enum(possessiveRules),
  checks: checkSettingsSchema.optional(),
})

/** What a school has set up, apart from itself, as its files have it; what is wrong is reported to the folder. */
export function readSetupParts(
  folder: FolderReader,
): Omit<SchoolSetup, 'school' | 'layout'> & { layout: Layout | null; retired: Retired } {
  const layout = readJson(folder, 'layout.json', layoutSchema)
  const scales = readScales(folder)
  const subjects = withStrandNames(folder, readSubjects(folder, scales))
  const skills = readSkills(folder, subjects)
  const habits = readHabits(folder, scales)
  const retired = {
    subjects: retiredIn(folder, 'subjects.csv', 'key'),
    skills: retiredIn(folder, 'skills.csv', 'id'),
    habits: retiredIn(folder, 'habits.csv', 'key'),
    boxes: retiredIn(folder, 'boxes.csv', 'key'),
  }
  const boxes = readBoxes(folder, { subjects, skills, habits }, retired)
  return { layout, scales, subjects, skills, habits, boxes, retired, phrasebook: readPhrasebook(folder, subjects) }
}

/** A school with what its file leaves out. */
export function schoolOf(written: z.infer<typeof schoolFile>): School {
  return { ...written, checks: written.checks ?? usualCheckSettings }
}

/**
 * Reads a school's set-up from a folder of open files (docs/formats.md): what a school begins from, or carries on with.
 * Everything wrong is gathered; with any problem there is no set-up.
 */
export function readSetupFolder(files: Folder): { setup: SchoolSetup | null; problems: FileProblem[] } {
  const folder = new FolderReader(files)
  const kept = readKeptSetup(folder)
  return { setup: kept && setupInUse(kept.setup, kept.retired), problems: folder.problems }
}

/** The same with what is retired, and what is. */
export function readKeptSetup(folder: FolderReader): { setup: SchoolSetup; retired: Retired } | null {
  const school = readJson(folder, 'school.json', schoolFile)
  const { layout, retired, ...parts } = readSetupParts(folder)
  if (!school || !layout || folder.problems.length > 0) return null
  return { setup: { school: schoolOf(school), layout, ...parts }, retired }
}
