import type { Knex } from 'knex'

/** What a school sets up, with the columns that tell its rows apart within a year. */
const setupTables: Record<string, readonly string[]> = {
  school: [],
  setup_version: [],
  scale: ['key'],
  subject: ['key'],
  skill: ['id'],
  habit: ['key'],
  comment_box: ['key'],
  phrase: ['id'],
  describing_words: ['tier'],
  layout: ['key'],
}

/**
 * School years. Terms and classes belong to one, and each has a set-up of its own: what is changed for a new year
 * leaves the last one as it was. Until now a school had one set-up; every year that it has terms of gets it.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table school_year (
      id uuid primary key default gen_random_uuid(),
      name text not null unique, starts date not null, ends date not null,
      check (starts < ends)
    );
    insert into school_year (name, starts, ends) select year, min(starts), max(ends) from term group by year;
    insert into school_year (name, starts, ends)
      select to_char(now(), 'YYYY'), date_trunc('year', now())::date, (date_trunc('year', now()) + '364 days')::date
      where not exists (select from school_year) and exists (select from school);

    alter table term add column year_id uuid references school_year;
    update term set year_id = (select id from school_year where school_year.name = term.year);
    alter table term drop column year, alter column year_id set not null, add unique (year_id, name);

    alter table class_room add column year_id uuid references school_year, drop constraint class_room_name_key;
    update class_room set year_id = (select id from school_year order by starts desc limit 1);
    alter table class_room alter column year_id set not null, add unique (year_id, name);
    create index class_of_year on class_room (year_id);
    create index term_of_year on term (year_id);
  `)
  await letGoOfSetup(knex)
  for (const [table, key] of Object.entries(setupTables)) await giveEachYear(knex, table, key)
  await knex.raw(`
    alter table subject
      add foreign key (year_id, mark_scale) references scale (year_id, key),
      add foreign key (year_id, skill_scale) references scale (year_id, key);
    alter table skill add foreign key (year_id, subject) references subject (year_id, key);
    alter table habit add foreign key (year_id, scale) references scale (year_id, key);
    alter table comment_box add foreign key (year_id, subject) references subject (year_id, key);
    alter table setup_version alter column version set default gen_random_uuid();
    create index phrase_of_owner on phrase (owner, year_id);
  `)
  await knex('setup_version').update({ version: knex.raw('gen_random_uuid()') as never })
  await nameYearInEvents(knex)
}

/** A subject is known by its key over the years, so results and comments point at a key and no longer at one row. */
async function letGoOfSetup(knex: Knex): Promise<void> {
  const { rows } = await knex.raw<{ rows: { from: string; name: string }[] }>(`
    select conrelid::regclass::text as from, conname as name from pg_constraint
    where contype = 'f' and confrelid in ('scale'::regclass, 'subject'::regclass, 'comment_box'::regclass)`)
  for (const { from, name } of rows) await knex.raw('alter table ?? drop constraint ??', [from, name])
}

async function giveEachYear(knex: Knex, table: string, key: readonly string[]): Promise<void> {
  if (key.length === 0) await knex.raw('alter table ?? drop column id', [table])
  else await knex.raw('alter table ?? drop constraint ??', [table, `${table}_pkey`])
  const columns = Object.keys(await knex(table).columnInfo())
  await knex.raw('alter table ?? add column year_id uuid references school_year', [table])
  const into = columns.map((column) => `"${column}"`).join(', ')
  const from = columns.map((column) => `ours."${column}"`).join(', ')
  await knex.raw(
    `insert into ?? (${into}${into && ', '}year_id) select ${from}${from && ', '}school_year.id
      from ?? as ours, school_year where ours.year_id is null`,
    [table, table],
  )
  await knex(table).whereNull('year_id').delete()
  const keys = ['year_id', ...key].map((column) => `"${column}"`).join(', ')
  await knex.raw(`alter table ?? alter column year_id set not null, add primary key (${keys})`, [table])
}

/** What is kept for undoing names the year too; of several, the last: nobody could look at another. */
async function nameYearInEvents(knex: Knex): Promise<void> {
  const year = await knex('school_year').orderBy('starts', 'desc').first('id')
  if (!year) return
  const tables = Object.keys(setupTables)
  const rows: { id: number; changes: { table: string; key: Record<string, unknown> }[] }[] = await knex('event')
    .select('id', 'changes')
    .whereNull('class_id')
  for (const { id, changes } of rows) {
    if (!changes.some((change) => tables.includes(change.table))) continue
    const named = changes.map((change) => {
      const key = change.table === 'school' ? {} : change.key
      return tables.includes(change.table) ? { ...change, key: { ...key, year_id: year.id } } : change
    })
    await knex('event')
      .where({ id })
      .update({ changes: JSON.stringify(named) })
  }
}
