import type { Knex } from 'knex'
import type { Phrase, Phrasebook } from '../../core/narrative/phrase'
import { readPlan } from '../../core/narrative/plan'
import type { School, SchoolSetup } from '../../core/school/schoolSetup'
import type { Retired } from '../../core/school/keptSetup'
import type { Layout } from '../../core/school/layout'
import type { Scale } from '../../core/scales/scale'
import { tiers, type Tier } from '../../core/scales/tier'
import { Refusal } from '../access/refusal'
import type { PhraseRow } from './tables'

/** A school year, and the version of its set-up as it stands. */
export interface YearSetup {
  readonly id: string
  readonly name: string
  /** ISO date. */
  readonly starts: string
  readonly version: string
}

/**
 * A year's set-up, kept by its version and read again when that has changed: any process may have changed it, and each
 * sees so by the version that comes with who asks. A few are kept, the oldest go.
 */
const kept = new Map<string, SchoolSetup>()
const mostKept = 4

/** Phrasebooks with somebody's own phrases in them, by version and person; a handful, the oldest go. */
const ownPhrasebooks = new Map<string, Phrasebook>()
const mostPhrasebooks = 60

/**
 * A year's set-up with the school's phrases and this person's own.
 * @param personId null for the school's phrases alone
 * @throws Refusal when no school has been set up
 */
export async function loadSchoolSetup(
  db: Knex,
  { id: yearId, version }: Pick<YearSetup, 'id' | 'version'>,
  personId: string | null = null,
): Promise<SchoolSetup> {
  const setup = kept.get(version) ?? (await readSetup(db, yearId))
  keep(kept, mostKept, version, setup)
  if (personId === null) return setup
  const key = `${version} ${personId}`
  const known = ownPhrasebooks.get(key)
  if (known) return { ...setup, phrasebook: known }
  const own = (await db('phrase').where({ owner: personId, year_id: yearId }).orderBy(['position', 'id'])).map(phraseOf)
  const phrasebook =
    own.length === 0 ? setup.phrasebook : { ...setup.phrasebook, phrases: [...setup.phrasebook.phrases, ...own] }
  keep(ownPhrasebooks, mostPhrasebooks, key, phrasebook)
  return { ...setup, phrasebook }
}

function keep<T>(cache: Map<string, T>, most: number, key: string, value: T): void {
  const [oldest] = cache.keys()
  if (!cache.has(key) && cache.size >= most && oldest !== undefined) cache.delete(oldest)
  cache.set(key, value)
}

/** The school's years, oldest first. */
export async function loadYears(db: Knex): Promise<YearSetup[]> {
  return db('school_year')
    .join('setup_version', 'setup_version.year_id', 'school_year.id')
    .orderBy('starts')
    .select<YearSetup[]>('school_year.id', 'name', 'starts', 'version')
}

interface SetupRow {
  school: School | null
  scales: Scale[]
  subjects: SchoolSetup['subjects']
  skills: SchoolSetup['skills']
  habits: SchoolSetup['habits']
  boxes: (Omit<SchoolSetup['boxes'][number], 'plan'> & { plan: string })[]
  phrases: PhraseRow[]
  describing: { tier: Tier; words: string[] }[]
  layout: Layout | null
}

/**
 * One statement, so that all of it is of one moment.
 * @param which rows in use alone, or those too that are retired
 */
const setupQuery = (which: 'in use' | 'all'): string => `
  select
    (select settings from school where year_id = :year) as school,
    (select coalesce(json_agg(definition order by key), '[]') from scale where year_id = :year) as scales,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'inSentence', in_sentence,
      'markScale', mark_scale, 'skillScale', skill_scale, 'takenBy', taken_by, 'strandNames', strand_names,
      'markScaleByGrade', mark_scale_by_grade, 'skillScaleByGrade', skill_scale_by_grade) order by position), '[]')
      from subject where year_id = :year${ifInUse(which, 'not retired')}) as subjects,
    (select coalesce(json_agg(json_build_object('id', id, 'subject', subject, 'strand', strand,
      'statement', statement, 'familyWords', family_words, 'inSentence', in_sentence, 'does', does,
      'grades', case when grade_from is null then null else json_build_object('from', grade_from, 'to', grade_to) end,
      'teacherOnly', teacher_only) order by position), '[]')
      from skill where year_id = :year${ifInUse(
        which,
        `not retired
        and subject in (select key from subject where year_id = :year and not retired)`,
      )}) as skills,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'familyWords', family_words,
      'scale', scale) order by position), '[]') from habit where year_id = :year${ifInUse(which, 'not retired')}) as habits,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'subject', subject,
      'limit', character_limit, 'limitByGrade', limit_by_grade, 'tone', tone, 'plan', plan) order by position), '[]')
      from comment_box where year_id = :year${ifInUse(
        which,
        `not retired
        and (subject is null or subject in (select key from subject where year_id = :year and not retired))`,
      )}) as boxes,
    (select coalesce(json_agg(phrase order by position, id), '[]')
      from phrase where owner is null and year_id = :year) as phrases,
    (select coalesce(json_agg(describing_words), '[]') from describing_words where year_id = :year) as describing,
    (select definition from layout where year_id = :year order by key limit 1) as layout`

const usedSetup = setupQuery('in use')

function ifInUse(which: 'in use' | 'all', condition: string): string {
  return which === 'all' ? '' : ` and ${condition}`
}

/** All of a year's set-up, and what of it is retired; the school's phrases alone. */
export async function loadKeptSetup(db: Knex, yearId: string): Promise<{ setup: SchoolSetup; retired: Retired }> {
  const { rows } = await db.raw<{ rows: Record<keyof Retired, string[]>[] }>(
    `select array(select key from subject where year_id = :year and retired) as subjects,
       array(select id from skill where year_id = :year and retired) as skills,
       array(select key from habit where year_id = :year and retired) as habits,
       array(select key from comment_box where year_id = :year and retired) as boxes`,
    { year: yearId },
  )
  const of = (kind: keyof Retired): ReadonlySet<string> => new Set(rows[0]?.[kind])
  const retired = { subjects: of('subjects'), skills: of('skills'), habits: of('habits'), boxes: of('boxes') }
  return { setup: await readSetup(db, yearId, setupQuery('all')), retired }
}

async function readSetup(db: Knex, yearId: string, query = usedSetup): Promise<SchoolSetup> {
  const { rows } = await db.raw<{ rows: SetupRow[] }>(query, { year: yearId })
  const [row] = rows
  if (!row?.school || !row.layout) throw new Refusal('not found', 'The school has not been set up yet.')
  const words = new Map(row.describing.map((each) => [each.tier, each.words]))
  return {
    school: row.school,
    scales: row.scales,
    subjects: row.subjects,
    skills: row.skills,
    habits: row.habits,
    boxes: row.boxes.map((box) => ({ ...box, plan: readPlan(box.plan) })),
    phrasebook: {
      phrases: row.phrases.map(phraseOf),
      describing: Object.fromEntries(tiers.map((tier) => [tier, words.get(tier) ?? []])) as Record<Tier, string[]>,
    },
    layout: row.layout,
  }
}

/** A row of the table as a phrase. */
export function phraseOf({
  grade_from: from,
  grade_to: to,
  position: _position,
  year_id: _year,
  ...row
}: PhraseRow): Phrase {
  return { ...row, grades: from === null || to === null ? null : { from, to } }
}

/** A phrase as the columns of its table, without its year, its id and its place. */
export function phraseColumns(phrase: Phrase): Omit<PhraseRow, 'year_id' | 'id' | 'position'> {
  const { id: _id, grades, ...columns } = phrase
  return { ...columns, grade_from: grades?.from ?? null, grade_to: grades?.to ?? null }
}
