import type { Knex } from 'knex'
import { up as theSchool } from './migrations/0001_the_school'
import { up as phrasebookAndFindings } from './migrations/0002_phrasebook_and_findings'
import { up as unevenStrands } from './migrations/0003_uneven_strands'
import { up as solidGround } from './migrations/0004_solid_ground'
import { up as habitsByKey } from './migrations/0005_habits_by_key'
import { up as whatAlwaysHolds } from './migrations/0031_what_always_holds'
import { up as howLongThingsAreKept } from './migrations/0032_how_long_things_are_kept'
import { up as examsAndTermsByKey } from './migrations/0033_exams_and_terms_by_key'
import { up as oneSetOfBounds } from './migrations/0034_one_set_of_bounds'
import { up as namesThatSayIt } from './migrations/0035_names_that_say_it'
import { up as photosAnew } from './migrations/0036_photos_anew'
import { up as halfDays } from './migrations/0037_half_days'
import { up as whoTakesASubject } from './migrations/0038_who_takes_a_subject'
import { up as schoolYears } from './migrations/0006_school_years'
import { up as staff } from './migrations/0007_staff'
import { up as ownSetup } from './migrations/0008_own_setup'
import { up as gradeOfAYear } from './migrations/0009_grade_of_a_year'
import { up as daysAndCare } from './migrations/0010_days_and_care'
import { up as ownSettings } from './migrations/0011_own_settings'
import { up as namesOfStrands } from './migrations/0012_names_of_strands'
import { up as byGrade } from './migrations/0013_by_grade'
import { up as progressReports } from './migrations/0014_progress_reports'
import { up as groups } from './migrations/0015_groups'
import { up as notes } from './migrations/0016_notes'
import { up as blankTables } from './migrations/0017_blank_tables'
import { up as behindResults } from './migrations/0018_questions_practice_days_photos'
import { up as bundles } from './migrations/0019_bundles'
import { up as bundleWork } from './migrations/0020_bundle_work'
import { up as moreMarkRules } from './migrations/0021_more_mark_rules'
import { up as proposedWhenSettled } from './migrations/0022_proposed_when_settled'
import { up as reopeningsAndLocks } from './migrations/0023_reopenings_and_locks'
import { up as newsOfEvents } from './migrations/0024_news_of_events'
import { up as weightsOfTerms } from './migrations/0025_weights_of_terms'
import { up as levelsAlongTheWay } from './migrations/0026_levels_along_the_way'
import { up as signOffs } from './migrations/0027_sign_offs'
import { up as quickerGuard } from './migrations/0028_quicker_guard'
import { up as whatPhrasesClaim } from './migrations/0029_what_phrases_claim'
import { up as aDayThatStandsStill } from './migrations/0030_a_day_that_stands_still'

/** Every migration in order. They only go forward. */
const migrations: Record<string, (knex: Knex) => Promise<void>> = {
  '0001_the_school': theSchool,
  '0002_phrasebook_and_findings': phrasebookAndFindings,
  '0003_uneven_strands': unevenStrands,
  '0004_solid_ground': solidGround,
  '0005_habits_by_key': habitsByKey,
  '0006_school_years': schoolYears,
  '0007_staff': staff,
  '0008_own_setup': ownSetup,
  '0009_grade_of_a_year': gradeOfAYear,
  '0010_days_and_care': daysAndCare,
  '0011_own_settings': ownSettings,
  '0012_names_of_strands': namesOfStrands,
  '0013_by_grade': byGrade,
  '0014_progress_reports': progressReports,
  '0015_groups': groups,
  '0016_notes': notes,
  '0017_blank_tables': blankTables,
  '0018_questions_practice_days_photos': behindResults,
  '0019_bundles': bundles,
  '0020_bundle_work': bundleWork,
  '0021_more_mark_rules': moreMarkRules,
  '0022_proposed_when_settled': proposedWhenSettled,
  '0023_reopenings_and_locks': reopeningsAndLocks,
  '0024_news_of_events': newsOfEvents,
  '0025_weights_of_terms': weightsOfTerms,
  '0026_levels_along_the_way': levelsAlongTheWay,
  '0027_sign_offs': signOffs,
  '0028_quicker_guard': quickerGuard,
  '0029_what_phrases_claim': whatPhrasesClaim,
  '0030_a_day_that_stands_still': aDayThatStandsStill,
  '0031_what_always_holds': whatAlwaysHolds,
  '0032_how_long_things_are_kept': howLongThingsAreKept,
  '0033_exams_and_terms_by_key': examsAndTermsByKey,
  '0034_one_set_of_bounds': oneSetOfBounds,
  '0035_names_that_say_it': namesThatSayIt,
  '0036_photos_anew': photosAnew,
  '0037_half_days': halfDays,
  '0038_who_takes_a_subject': whoTakesASubject,
}

/** Brings the database to the newest shape; does nothing when it is there. */
export async function migrate(knex: Knex): Promise<void> {
  await knex.migrate.latest({
    migrationSource: {
      getMigrations: () => Promise.resolve(Object.keys(migrations)),
      getMigrationName: (name: string) => name,
      getMigration: (name: string) =>
        Promise.resolve({ up: migrations[name] ?? notThere(name), down: goesForwardOnly }),
    },
  })
}

function notThere(name: string): never {
  throw new Error(`There is no migration “${name}”.`)
}

function goesForwardOnly(): Promise<void> {
  return Promise.reject(new Error('Migrations only go forward.'))
}
