import type { Knex } from 'knex'

/** A child's grade belongs to the year: who moves up is still in grade 5 when last year's class is looked at. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table enrolment add column grade_level text not null default '';
    update enrolment set grade_level = student.grade_level from student where student.id = student_id;
    alter table student drop column grade_level;
  `)
}
