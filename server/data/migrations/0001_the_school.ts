import type { Knex } from 'knex'

/** The school, its people, classes, terms and everything the first slice keeps. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table school (
      id integer primary key default 1 check (id = 1),
      settings jsonb not null
    );
    create table person (
      id uuid primary key default gen_random_uuid(),
      sign_in text not null unique,
      password_hash text not null,
      given_name text not null,
      family_name text not null,
      role text not null check (role in ('teacher', 'coordinator'))
    );
    create table term (
      id uuid primary key default gen_random_uuid(),
      name text not null, year text not null,
      starts date not null, ends date not null, comments_due date not null, locks date not null,
      unique (year, name)
    );
    create table class_room (
      id uuid primary key default gen_random_uuid(),
      name text not null unique
    );
    create table student (
      id uuid primary key default gen_random_uuid(),
      school_number text not null unique,
      legal_given text not null, used_name text not null, family text not null,
      pronouns text not null, grade_level text not null
    );
    create table enrolment (
      class_id uuid not null references class_room, student_id uuid not null references student,
      position integer not null,
      primary key (class_id, student_id)
    );
    create table scale (key text primary key, definition jsonb not null);
    create table subject (
      key text primary key, name text not null, in_sentence text not null, position integer not null,
      mark_scale text not null references scale, skill_scale text not null references scale
    );
    create table skill (
      id text primary key, subject text not null references subject, strand text not null,
      statement text not null, family_words text not null, teacher_only boolean not null, position integer not null
    );
    create table habit (
      key text primary key, name text not null, family_words text not null, scale text not null references scale, position integer not null
    );
    -- A null subject is the home class: its teacher has every subject that no specialist teaches there.
    create table teaching (
      person_id uuid not null references person, class_id uuid not null references class_room, subject text references subject,
      unique nulls not distinct (person_id, class_id, subject)
    );
    create table category (
      class_id uuid not null references class_room, subject text not null references subject,
      key text not null, name text not null, weight double precision not null check (weight >= 0),
      primary key (class_id, subject, key)
    );
    create table work (
      id uuid primary key,
      class_id uuid not null references class_room, subject text not null references subject, term_id uuid not null references term,
      title text not null, category text not null, done_on date,
      out_of double precision not null check (out_of > 0), weight double precision not null check (weight >= 0), counts boolean not null
    );
    create unique index work_title on work (class_id, subject, term_id, lower(title));
    create table result (
      work_id uuid not null references work, student_id uuid not null references student,
      state text not null check (state in ('scored', 'missing', 'late', 'excused', 'incomplete')),
      score double precision, remark text not null,
      primary key (work_id, student_id)
    );
    create table settled_mark (
      student_id uuid not null references student, subject text not null references subject, term_id uuid not null references term,
      percent double precision, special text, reason text,
      primary key (student_id, subject, term_id),
      check ((percent is null) <> (special is null))
    );
    create table settled_level (
      student_id uuid not null references student, about text not null, term_id uuid not null references term,
      kind text not null check (kind in ('skill', 'habit')), symbol text not null,
      primary key (student_id, about, term_id)
    );
    create table attendance (
      student_id uuid not null references student, term_id uuid not null references term,
      days_open integer not null, absences integer not null, lates integer not null,
      primary key (student_id, term_id)
    );
    create table observation (
      id uuid primary key default gen_random_uuid(),
      student_id uuid not null references student, term_id uuid not null references term,
      day date not null, about text not null, text text not null
    );
    create table comment_box (
      key text primary key, name text not null, subject text references subject,
      character_limit integer not null check (character_limit > 0), plan text not null, position integer not null
    );
    create table comment (
      student_id uuid not null references student, box text not null references comment_box, term_id uuid not null references term,
      text text not null, sentences jsonb not null, own_words boolean not null, status text not null, version integer not null,
      primary key (student_id, box, term_id)
    );
    create table phrase (
      id text primary key, subject text not null, part text not null, about text not null, tiers text[] not null, text text not null, position integer not null
    );
    create table describing_word (tier text not null, word text not null, position integer not null, primary key (tier, word));
    create table layout (key text primary key, definition jsonb not null);
    create table event (
      id bigint generated always as identity primary key,
      at timestamptz not null default now(),
      person_id uuid not null references person,
      class_id uuid references class_room, term_id uuid references term,
      kind text not null, changes jsonb not null,
      undoes bigint references event, undone_by bigint references event
    );
    create index event_of_class on event (class_id, term_id, id desc);
    create table gradebook_file (
      id uuid primary key default gen_random_uuid(),
      person_id uuid not null references person, class_id uuid not null references class_room,
      subject text not null references subject, term_id uuid not null references term,
      name text not null, bytes bytea not null, brought_at timestamptz not null default now(), event_id bigint references event
    );
    create table remembered_mapping (
      class_id uuid not null references class_room, subject text not null references subject, headings text not null,
      mapping jsonb not null,
      primary key (class_id, subject, headings)
    );
    create table report_run (
      id uuid primary key default gen_random_uuid(),
      class_id uuid not null references class_room, term_id uuid not null references term, person_id uuid not null references person,
      asked_at timestamptz not null default now(), finished_at timestamptz,
      state text not null check (state in ('waiting', 'setting', 'finished', 'stopped', 'failed')),
      student_ids uuid[] not null, done integer not null default 0, pages jsonb, message text
    );
    -- The shape that rate-limiter-flexible works on.
    create table sign_in_attempt (key varchar(255) primary key, points integer not null default 0, expire bigint);
    create table report_file (run_id uuid primary key references report_run, name text not null, bytes bytea not null);
  `)
}
