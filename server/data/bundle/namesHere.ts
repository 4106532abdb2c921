import type { Knex } from 'knex'
import type { NamedWork, NamesHere } from '../../../core/exchange/oneroster/readResults'
import { scalesOfWork } from '../../../core/exchange/oneroster/scoreScales'
import type { YearPlan } from '../../../core/exchange/oneroster/planYear'
import { groupBy } from '../../../core/groupBy'
import { stagedRows } from './yearHere'

/** What a bundle's names mean here, once its people and its work are in. */
export async function loadNamesHere(trx: Knex.Transaction, yearId: string, plan: YearPlan): Promise<NamesHere> {
  const { rows: work } = await trx.raw<{ rows: (NamedWork & { name: string })[] }>(
    `select name, work_id as "workId", class_id as "classId", out_of as "outOf", stands from work_named`,
  )
  const places = await trx('enrolment')
    .whereIn('class_id', trx('class_room').where({ year_id: yearId }).select('id'))
    .select('class_id', 'student_id')
  const byClass = groupBy(places, ({ class_id }) => class_id)
  const scales = scalesOfWork({
    scoreScales: await stagedRows(trx, 'scoreScales'),
    lineItemScoreScales: await stagedRows(trx, 'lineItemScoreScales'),
  })
  return {
    work: new Map(
      work.map(({ name, ...named }) => {
        const scale = scales.get(name)
        return [name, scale ? { ...named, scale } : named]
      }),
    ),
    children: plan.students,
    places: new Map([...byClass].map(([room, rows]) => [room, new Set(rows.map(({ student_id }) => student_id))])),
  }
}
