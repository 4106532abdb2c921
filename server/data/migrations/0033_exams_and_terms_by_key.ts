import type { Knex } from 'knex'

/**
 * Which category is the exam is said on the category, and what a term weighs by the term's id: renaming either changed
 * marks without a word. Until now both hung on names: those that they hit are carried over.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table category add column is_exam boolean not null default false;
    update category set is_exam = true
      from class_room join school on school.year_id = class_room.year_id
      where class_room.id = class_id and lower(trim(category.name)) = lower(trim(
        case when settings #> array['markRules', 'bySubject', category.subject] \\? 'exam'
          then settings #>> array['markRules', 'bySubject', category.subject, 'exam', 'category']
          else settings #>> '{markRules,exam,category}' end));

    create function pg_temp.weights_by_id(weights jsonb, of_year uuid) returns jsonb language sql as $$
      select coalesce(jsonb_object_agg(id, value), '{}')
      from jsonb_each(coalesce(weights, '{}')) join term on term.name = key and term.year_id = of_year $$;
    create function pg_temp.by_key(rules jsonb, of_year uuid) returns jsonb language sql as $$
      select rules #- '{exam,category}' || case when rules \\? 'termWeights'
        then jsonb_build_object('termWeights', pg_temp.weights_by_id(rules -> 'termWeights', of_year)) else '{}' end $$;
    update school set settings = jsonb_set(settings, '{markRules}', pg_temp.by_key(settings -> 'markRules', year_id)
      || case when settings #> '{markRules,bySubject}' is null then '{}' else jsonb_build_object('bySubject',
        (select coalesce(jsonb_object_agg(key, pg_temp.by_key(value, year_id)), '{}')
         from jsonb_each(settings #> '{markRules,bySubject}'))) end)
      where settings -> 'markRules' is not null;
  `)
}
