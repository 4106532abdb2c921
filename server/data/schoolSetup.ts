import type { Knex } from 'knex'
import type { Phrase, Phrasebook } from '../../core/narrative/phrase'
import { readPlan } from '../../core/narrative/plan'
import type { School, SchoolSetup } from '../../core/school/schoolSetup'
import type { Layout } from '../../core/school/layout'
import type { Scale } from '../../core/scales/scale'
import { tiers, type Tier } from '../../core/scales/tier'
import { Refusal } from '../access/refusal'
import type { PhraseRow } from './tables'

/**
 * The school's set-up, kept by its version and read again when that has changed: any process may have changed it, and
 * each sees so by the version that comes with who asks. One version is kept.
 */
let kept: { version: string; setup: SchoolSetup } | null = null

/** Phrasebooks with somebody's own phrases in them, by version and person; a handful, the oldest go. */
const ownPhrasebooks = new Map<string, Phrasebook>()
const mostPhrasebooks = 60

/**
 * The set-up with the school's phrases and this person's own.
 * @param version the set-up's version as it stands
 * @param personId null for the school's phrases alone
 * @throws Refusal when no school has been set up
 */
export async function loadSchoolSetup(db: Knex, version: string, personId: string | null = null): Promise<SchoolSetup> {
  if (kept?.version !== version) kept = { version, setup: await readSetup(db) }
  const { setup } = kept
  if (personId === null) return setup
  const key = `${version} ${personId}`
  const known = ownPhrasebooks.get(key)
  if (known) return { ...setup, phrasebook: known }
  const own = (await db('phrase').where({ owner: personId }).orderBy(['position', 'id'])).map(phraseOf)
  const phrasebook =
    own.length === 0 ? setup.phrasebook : { ...setup.phrasebook, phrases: [...setup.phrasebook.phrases, ...own] }
  const [oldest] = ownPhrasebooks.keys()
  if (ownPhrasebooks.size >= mostPhrasebooks && oldest !== undefined) ownPhrasebooks.delete(oldest)
  ownPhrasebooks.set(key, phrasebook)
  return { ...setup, phrasebook }
}

/** The version of the set-up as it stands. */
export async function setupVersion(db: Knex): Promise<string> {
  return (await db('setup_version').first())?.version ?? ''
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

/** One statement, so that all of it is of one moment. */
const setupQuery = `
  select
    (select settings from school) as school,
    (select coalesce(json_agg(definition order by key), '[]') from scale) as scales,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'inSentence', in_sentence,
      'markScale', mark_scale, 'skillScale', skill_scale) order by position), '[]') from subject) as subjects,
    (select coalesce(json_agg(json_build_object('id', id, 'subject', subject, 'strand', strand,
      'statement', statement, 'familyWords', family_words, 'inSentence', in_sentence, 'teacherOnly', teacher_only)
      order by position), '[]') from skill) as skills,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'familyWords', family_words,
      'scale', scale) order by position), '[]') from habit) as habits,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'subject', subject,
      'limit', character_limit, 'tone', tone, 'plan', plan) order by position), '[]') from comment_box) as boxes,
    (select coalesce(json_agg(phrase order by position, id), '[]') from phrase where owner is null) as phrases,
    (select coalesce(json_agg(describing_words), '[]') from describing_words) as describing,
    (select definition from layout order by key limit 1) as layout`

async function readSetup(db: Knex): Promise<SchoolSetup> {
  const { rows } = await db.raw<{ rows: SetupRow[] }>(setupQuery)
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
export function phraseOf({ grade_from: from, grade_to: to, position: _position, ...row }: PhraseRow): Phrase {
  return { ...row, grades: from === null || to === null ? null : { from, to } }
}

/** A phrase as the columns of its table, without its id and its place. */
export function phraseColumns(phrase: Phrase): Omit<PhraseRow, 'id' | 'position'> {
  const { id: _id, grades, ...columns } = phrase
  return { ...columns, grade_from: grades?.from ?? null, grade_to: grades?.to ?? null }
}
