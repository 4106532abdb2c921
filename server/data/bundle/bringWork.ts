import type { Knex } from 'knex'
import { bounds } from '../../../core/record/fields'
import { lookedAtAllAtOnce, manyRows, type AllAtOnce } from './allAtOnce'

/** How many rows of some kind are new, changed, and as they are. */
export interface Brought {
  readonly added: number
  readonly changed: number
  readonly unchanged: number
}

/**
 * An id of version 7 (RFC 9562) for each line: they come in the order of the lines, as the results do, so that what is
 * looked up by them grows at its end.
 */
function idInOrder(line: string): string {
  const hex = (number: string, digits: number): string => `lpad(to_hex(${number}), ${digits}, '0')`
  const milliseconds = `(extract(epoch from now()) * 1000)::bigint + ${line} / 4096`
  const random = `right(replace(gen_random_uuid()::text, '-', ''), 15)`
  return `(${hex(milliseconds, 12)} || '7' || ${hex(`${line} % 4096`, 3)} || '8' || ${random})::uuid`
}

const isWeight = (weight: string): string => `(${weight} between ${bounds.weight.least} and ${bounds.weight.most})`

/**
 * The staged pieces of work with what they mean here; two of one name in a class, subject and term are told apart by a
 * number behind the second. `why` says why one has no place here.
 */
const understood = `
  create temp table brought_work on commit drop as
    with said as (
      select item.sourcedid as name, room.class_id, room.subject, trim(item.title) as title,
        coalesce(period.term_id, session.term_id, by_day.id) as term_id,
        item.done_on,
        number_in(item.resultvaluemax) as out_of,
        coalesce(nullif(trim(kind.title), ''), 'Results') as category,
        case when ${isWeight('number_in(kind.weight)')} then number_in(kind.weight) end as category_weight,
        number_in(item."metadata.facunda.weight") as weight,
        lower(item."metadata.facunda.counts") <> 'false' as counts,
        case when room.class_id is null then 'of a class that is not taken in'
          when coalesce(trim(item.title), '') = '' then 'without a title'
          when not text_fits(trim(item.title), ${bounds.workTitle})
            then 'with a title of more than ${bounds.workTitle} characters'
          when not text_fits(trim(kind.title), ${bounds.categoryName})
            then 'in a category of more than ${bounds.categoryName} characters'
          when coalesce(item.resultvaluemax, '') <> '' and coalesce(number_in(item.resultvaluemax), 0)
            not between ${bounds.outOf.least} and ${bounds.outOf.most} then 'out of what nobody can reach'
          when not ${isWeight('coalesce(number_in(item."metadata.facunda.weight"), 1)')} then 'with a weight that is none'
          when item.done_on not between '${bounds.day.first}' and '${bounds.day.last}' then 'on a day of another time'
          when coalesce(period.term_id, session.term_id, by_day.id) is null then 'of no term of this year'
          when shut.id is not null and is_locked(shut.id, room.class_id, null, room.subject)
            then 'of a term that is locked' end as why
      from (select *, case when lower("metadata.facunda.dated") = 'false' then null
          else day_in(coalesce(duedate, assigndate)) end as done_on from staged_lineitems offset 0) as item
        left join room_named as room on room.name = item.classsourcedid
        left join term_named as period on period.name = item.gradingperiodsourcedid
        left join term_named as session on session.name = item.academicsessionsourcedid
        left join staged_categories as kind on kind.sourcedid = item.categorysourcedid
        left join lateral (select id from term where period.term_id is null and session.term_id is null
          and year_id = :year and item.done_on between starts and ends limit 1) as by_day on true
        left join term as shut on shut.id = coalesce(period.term_id, session.term_id, by_day.id)
          and shut.locks <= school_day())
    select said.*, case when nth = 1 then title else left(title, ${bounds.workTitle - 15}) || ' (' || nth || ')' end as called,
      ${idInOrder('line')} as new_id
    from (select *, row_number() over () as line,
      row_number() over (partition by class_id, subject, term_id, lower(title)
      order by done_on, name) as nth from said) as said`

/** Adds and changes pieces of work with their categories, noting each. What the bundle does not say stays. */
export async function bringWork(
  trx: Knex.Transaction,
  { yearId, eventId, allAtOnce }: { yearId: string; eventId: number; allAtOnce: AllAtOnce },
): Promise<Brought> {
  await trx.raw(understood, { year: yearId })
  await trx.raw('analyze brought_work')
  await trx.raw(
    `with made as (insert into category (class_id, subject, key, name, weight)
       select class_id, subject, min(category), min(category),
         coalesce(max(category_weight), (select avg(weight) from category as beside
           where beside.class_id = said.class_id and beside.subject = said.subject), 1)
       from brought_work as said where why is null and not exists (select from category as here
         where here.class_id = said.class_id and here.subject = said.subject
           and lower(said.category) in (lower(here.name), lower(here.key)))
       group by class_id, subject, lower(category) returning *)
     insert into bundle_row (event_id, in_table, key, before, after)
     select :event, 'category', jsonb_build_object('class_id', class_id, 'subject', subject, 'key', key), null,
       to_jsonb(made) from made`,
    { event: eventId },
  )
  // What each stands for: a piece of work that is here, or a new one.
  await trx.raw(
    `create temp table work_named on commit drop as
     select said.name, said.class_id, coalesce(here.id, said.new_id) as work_id, here.id is not null as stands,
       coalesce(said.out_of, here.out_of, 100) as out_of
     from brought_work as said left join work as here on here.class_id = said.class_id
       and here.subject = said.subject and here.term_id = said.term_id and lower(here.title) = lower(said.called)
     where why is null`,
  )
  await trx.raw('analyze work_named')
  const fresh = await countOf(trx, 'not stands')
  const add = () => addWork(trx, eventId)
  const isMany = allAtOnce === 'always' || (allAtOnce === 'where it pays' && fresh > manyRows)
  const added = isMany ? await lookedAtAllAtOnce(trx, { table: 'work', rules: 'what it rests on' }, add) : await add()
  const { rowCount: changed } = await trx.raw<{ rowCount: number }>(
    `with was as (select work.* from work_named as named join work on work.id = named.work_id where named.stands),
       made as (update work set done_on = coalesce(said.done_on, work.done_on), out_of = named.out_of,
           weight = coalesce(said.weight, work.weight), counts = coalesce(said.counts, work.counts)
         from work_named as named join brought_work as said using (name)
         where work.id = named.work_id and named.stands
           and (work.done_on, work.out_of, work.weight, work.counts) is distinct from
             (coalesce(said.done_on, work.done_on), named.out_of, coalesce(said.weight, work.weight),
               coalesce(said.counts, work.counts))
         returning work.*)
     insert into bundle_row (event_id, in_table, key, before, after)
     select :event, 'work', jsonb_build_object('id', made.id), to_jsonb(was), to_jsonb(made)
     from made join was using (id)`,
    { event: eventId },
  )
  return { added, changed, unchanged: (await countOf(trx, 'stands')) - changed }
}

async function countOf(trx: Knex.Transaction, which: 'stands' | 'not stands'): Promise<number> {
  const { rows } = await trx.raw<{ rows: { count: number }[] }>(
    `select count(*)::int as count from work_named where ${which}`,
  )
  return rows[0]?.count ?? 0
}

async function addWork(trx: Knex.Transaction, eventId: number): Promise<number> {
  const { rowCount } = await trx.raw<{ rowCount: number }>(
    `with made as (insert into work (id, class_id, subject, term_id, title, category, done_on, out_of, weight, counts)
       select named.work_id, said.class_id, said.subject, said.term_id, said.called, kind.key,
         said.done_on, named.out_of, coalesce(said.weight, 1), coalesce(said.counts, true)
       from work_named as named join brought_work as said using (name)
         join (select class_id, subject, word, min(key) as key
             from category, unnest(array[lower(name), lower(key)]) as word group by class_id, subject, word) as kind
           on kind.class_id = said.class_id and kind.subject = said.subject and kind.word = lower(said.category)
       where not named.stands returning *)
     insert into bundle_row (event_id, in_table, key, before, after)
     select :event, 'work', jsonb_build_object('id', id), null, to_jsonb(made) from made`,
    { event: eventId },
  )
  return rowCount
}

/** Why pieces of work have no place here, with how many and some of their names. */
export async function workLeftOut(trx: Knex.Transaction): Promise<string[]> {
  const { rows } = await trx.raw<{ rows: { why: string; count: number; some: string }[] }>(
    `select why, count(*)::int as count, string_agg(title, ', ' order by nth) filter (where nth <= 5) as some
     from (select why, coalesce(title, 'untitled') as title, row_number() over (partition by why order by name) as nth
       from brought_work where why is not null) as each group by why`,
  )
  return rows.map(
    ({ why, count, some }) =>
      `${count} ${count === 1 ? 'piece' : 'pieces'} of work ${why}: ${some}${count > 5 ? ' …' : ''}.`,
  )
}
