import type { Knex } from 'knex'

/**
 * What a record may hold (core/record/fields.ts), held by the database as well, whatever way a row comes in by.
 * Rows from before stay as they are until they change. Lengths are UTF-16 units, as everywhere else.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create function text_length(written text) returns integer language sql immutable as $$
      select char_length(written) + char_length(regexp_replace(written, '[^\\U00010000-\\U0010FFFF]', '', 'g')) $$;
    create function text_fits(written text, most integer) returns boolean language sql immutable as $$
      select octet_length(written) <= most or text_length(written) <= most $$;

    alter table student
      add constraint student_names_fit check (text_fits(legal_given, 120) and text_fits(used_name, 120)
        and text_fits(family, 120) and text_fits(school_number, 40) and text_fits(pronouns, 120)) not valid;
    alter table class_room add constraint class_name_fits check (text_fits(name, 60)) not valid;
    alter table enrolment add constraint grade_level_fits check (text_fits(grade_level, 20)) not valid;
    alter table category
      add constraint category_fits check (text_fits(name, 80) and weight between 0 and 1000000) not valid;
    alter table work
      add constraint work_fits check (text_fits(title, 200) and out_of between 0.01 and 100000
        and weight between 0 and 1000000 and done_on between '1900-01-01' and '2199-12-31') not valid;
    alter table result
      add constraint result_fits check (score between 0 and 100000 and text_fits(remark, 2000)) not valid;
    alter table question
      add constraint question_fits check (text_fits(words, 500) and out_of between 0.01 and 100000) not valid;
    alter table school_year
      add constraint year_fits check (starts >= '1900-01-01' and ends <= '2199-12-31') not valid;
  `)
}
