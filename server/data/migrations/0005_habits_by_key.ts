import type { Knex } from 'knex'
import { partKey, readPlan, writePlan, type PlannedPart } from '../../../core/narrative/plan'
import type { CommentRow } from '../termRecord'

/** A habit's key takes the place of its name: in plans, in phrases, and in what comments were composed from. */
export async function up(knex: Knex): Promise<void> {
  const habits = await knex('habit').select('key', 'name')
  if (habits.length === 0) return
  const keys = new Map(habits.map(({ key, name }) => [name, key]))
  const boxes = await knex('comment_box').select('key', 'subject', 'plan')
  await knex.raw(`
    update phrase set about = habit.key from habit
    where phrase.about = habit.name and (phrase.part = 'habit' or phrase.subject = 'general')`)
  for (const { key, subject, plan } of boxes) {
    const parts = readPlan(plan).map((part) => byKey(part, subject, keys))
    await knex('comment_box')
      .where({ key })
      .update({ plan: writePlan(parts) })
    await renameInComments(knex, key, subject, keys)
  }
  await knex('setup_version').update({ version: knex.raw('gen_random_uuid()') as never })
}

function byKey<P extends Pick<PlannedPart, 'part' | 'about'>>(part: P, subject: string | null, keys: Keys): P {
  const speaksOfHabit = part.part === 'habit' || (subject === null && part.part !== 'outcome')
  return speaksOfHabit ? { ...part, about: keys.get(part.about) ?? part.about } : part
}

type Keys = ReadonlyMap<string, string>

async function renameInComments(knex: Knex, box: string, subject: string | null, keys: Keys): Promise<void> {
  const rows: (CommentRow & { student_id: string; term_id: string })[] = await knex('comment')
    .select('student_id', 'term_id', 'sentences')
    .where({ box })
    .whereRaw('jsonb_array_length(sentences) > 0')
  for (const { student_id: studentId, term_id: termId, sentences } of rows) {
    const renamed = sentences.map((sentence) => ({
      ...sentence,
      parts: (sentence.parts ?? []).map((written) =>
        readPlan(written).map((part) => partKey(byKey(part, subject, keys))),
      ),
      because: sentence.because.map((fact) => {
        const ofHabit = fact.kind === 'habit' || (subject === null && fact.kind === 'trend')
        return ofHabit ? { ...fact, about: keys.get(fact.about ?? '') ?? fact.about } : fact
      }),
    }))
    await knex('comment')
      .where({ student_id: studentId, term_id: termId, box })
      .update({ sentences: JSON.stringify(renamed.map((each) => ({ ...each, parts: each.parts.flat() }))) })
  }
}
