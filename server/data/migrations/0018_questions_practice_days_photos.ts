import type { Knex } from 'knex'

/**
 * What lies behind a result, question by question; what a child practised in a program of its own; the register, day
 * by day; photos.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table question (
      work_id uuid not null references work, number integer not null check (number > 0),
      words text not null, skill text, out_of double precision not null check (out_of > 0),
      primary key (work_id, number)
    );
    create table answer (
      work_id uuid not null, number integer not null, student_id uuid not null references student,
      score double precision not null check (score >= 0),
      primary key (work_id, number, student_id),
      foreign key (work_id, number) references question
    );
    create index answer_of_student on answer (student_id);
    -- amount and beside: minutes of a week and how many were asked for; how far a goal is and how far it goes; a score
    -- after and the one before.
    create table practice (
      student_id uuid not null references student, term_id uuid not null references term,
      program text not null, kind text not null check (kind in ('minutes', 'goal', 'score')), name text not null,
      amount double precision check (amount >= 0), beside double precision check (beside >= 0),
      check (amount is not null or (kind = 'score' and beside is not null)),
      primary key (student_id, term_id, program, kind, name)
    );
    create table register_day (
      student_id uuid not null references student, day date not null,
      presence text not null check (presence in ('present', 'late', 'absent')),
      primary key (student_id, day)
    );
    create table photo (
      student_id uuid primary key references student,
      jpeg text not null, fingerprint text not null
    );
  `)
}
