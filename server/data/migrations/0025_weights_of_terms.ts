import type { Knex } from 'knex'

/** Terms may weigh differently in the year so far; in schools from before each weighs the same. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    update school set settings = jsonb_set(settings, array['markRules'],
      jsonb_build_object('termWeights', jsonb_build_object()) || (settings -> 'markRules'))
    where settings -> 'markRules' is not null
  `)
}
