import type { Knex } from 'knex'
import type { RetentionDays, RetainedKind } from '../../contracts/privacy'

/** Where each kind of thing stands, which rows of it are meant, when a row came, and its rule's column. */
const things: Readonly<Record<RetainedKind, { table: string; which: string; when: string; rule: string }>> = {
  openings: { table: 'opening', which: 'true', when: 'day', rule: 'openings_days' },
  filesLeft: { table: 'gradebook_file', which: 'event_id is null', when: 'brought_at', rule: 'files_left_days' },
  filesTaken: { table: 'gradebook_file', which: 'event_id is not null', when: 'brought_at', rule: 'files_taken_days' },
  reports: {
    table: 'report_run',
    which: `state in ('finished', 'stopped', 'failed')`,
    when: 'asked_at',
    rule: 'reports_days',
  },
  events: { table: 'event', which: 'true', when: 'last_at', rule: 'events_days' },
}

const kinds = Object.keys(things) as RetainedKind[]

/** The rule as its row. */
export function keptForRow(kept: RetentionDays): Record<string, number> {
  return Object.fromEntries(kinds.map((kind) => [things[kind].rule, kept[kind]]))
}

/** How long each kind of thing is kept, how many there are, and since which day. */
export async function loadKept(
  db: Knex,
): Promise<Record<RetainedKind, { days: number; count: number; since: string | null }>> {
  const { rows } = await db.raw<{ rows: { kind: RetainedKind; days: number; count: number; since: string | null }[] }>(
    kinds
      .map((kind) => {
        const { table, which, when, rule } = things[kind]
        return `select '${kind}' as kind, (select ${rule} from retention_rule) as days, count(*)::int as count,
          min(${when})::date as since from ${table} where ${which}`
      })
      .join(' union all '),
  )
  return Object.fromEntries(rows.map(({ kind, ...kept }) => [kind, kept])) as never
}

/** A link into an account opens nothing any more, used or not: so long it is still said to be over. */
const endedLinkDays = 30

/** So many events are let go of at once, so that nobody waits for it. */
const atOnce = 2000

/**
 * Lets go of what is older than the school keeps it. An event stays while a younger one undid it or was undone by it; a
 * file goes with the event that took it in.
 */
export async function letGo(db: Knex): Promise<void> {
  const old = (kind: RetainedKind): string => {
    const { which, when, rule } = things[kind]
    return `${which} and ${when} < now() - make_interval(days => (select ${rule} from retention_rule))`
  }
  for (const kind of ['openings', 'filesLeft', 'filesTaken'] as const)
    await db.raw(`delete from ${things[kind].table} where ${old(kind)}`)
  await db.raw('delete from invitation where expires < now() - make_interval(days => ?)', [endedLinkDays])
  await db.transaction(async (trx) => {
    const runs = `select id from report_run where ${old('reports')}`
    for (const table of ['report_file', 'report_document'])
      await trx.raw(`delete from ${table} where run_id in (${runs})`)
    await trx.raw(`delete from report_run where id in (${runs})`)
  })
  for (;;) {
    const gone = await letEventsGo(db, old('events'))
    if (gone < atOnce) return
  }
}

async function letEventsGo(db: Knex, old: string): Promise<number> {
  return db.transaction(async (trx) => {
    const { rows } = await trx.raw<{ rows: { id: number }[] }>(
      `with old as materialized (select id, undoes, undone_by from event where ${old})
       select id from old where (undoes is null or undoes in (select id from old))
         and (undone_by is null or undone_by in (select id from old))
         and not exists (select from event as later where (later.undoes = old.id or later.undone_by = old.id)
           and later.id not in (select id from old))
       order by coalesce(least(undoes, id), id), id limit ${atOnce}`,
    )
    const ids = rows.map(({ id }) => id)
    await trx.raw(`update event set undoes = null where undoes = any(:ids) and id <> all(:ids)`, { ids })
    await trx.raw(`update event set undone_by = null where undone_by = any(:ids) and id <> all(:ids)`, { ids })
    await trx('gradebook_file').whereIn('event_id', ids).delete()
    for (const table of ['bundle', 'bundle_row', 'bundle_result', 'bundle_work'] as const)
      await trx(table).whereIn('event_id', ids).delete()
    await trx('event').whereIn('id', ids).delete()
    return ids.length
  })
}
