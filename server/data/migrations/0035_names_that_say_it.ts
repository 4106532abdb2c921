import type { Knex } from 'knex'

/**
 * The rule of how long things are kept is called so, in the events that changed it, too. And what a teacher says is
 * right is of a check that there is or was (core/record/checkKeys.ts); rows from before stay as they are.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table care_rule rename to retention_rule;
    update event set changes = replace(changes::text, '"table": "care_rule"', '"table": "retention_rule"')::jsonb
      where changes::text like '%"table": "care_rule"%';
    alter table accepted_finding add constraint check_is_known check (check_name in (
        'another name', 'another subject', 'another time', 'blank left', 'comment without mark',
        'contradicts the level', 'contradicts the record', 'describing word twice', 'empty', 'grammar',
        'hard to read', 'mark and levels differ', 'mark without comment', 'name missing', 'not settled',
        'out of step', 'own name', 'private matter', 'pronoun', 'read it first', 'repeated word', 'same text',
        'spacing', 'spelling', 'too long', 'very short', 'word not wanted')) not valid;
  `)
}
