import type { Knex } from 'knex'

/** What schools may decide about marks since then; until they do, all is as it was. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    update school set settings = jsonb_set(settings, array['markRules'],
      jsonb_build_object('late', 'counts as it is', 'lateLoss', 10, 'together', 'mean', 'newestWeighs', 65, 'exam', null,
        'passLine', null, 'extraCredit', false, 'bySubject', jsonb_build_object()) || (settings -> 'markRules'))
    where settings -> 'markRules' is not null
  `)
}
