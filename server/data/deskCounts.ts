import type { Knex } from 'knex'
import type { Term } from '../../core/record/term'
import type { StudentProgress } from '../../core/terms/progress'

/** A class to count, with the subjects that the person reads there. */
export interface ClassToCount {
  classId: string
  subjects: readonly string[]
}

/**
 * What core/terms/progress.ts says of one student, summed over classes by the database: nothing but numbers comes
 * back, whatever the size of the school. The two are held together by tests/api/desk.test.ts.
 */
const countsQuery = `
  with wanted as (select class_id, subjects, subject is not null as is_group
      from jsonb_to_recordset(:classes::jsonb) as w(class_id uuid, subjects text[])
      join class_room on class_room.id = class_id),
    member as (select wanted.class_id, student_id, grade_level
      from wanted, members_of(wanted.class_id, :term, :today)),
    taught as (select w.class_id, s.id from wanted w
      join skill s on s.year_id = :year and s.subject = any(w.subjects) and not s.retired
      where s.grade_from is null or exists (select from member
        where member.class_id = w.class_id and case when grade_level ~ '^[0-9]{1,3}$'
          then grade_level::int between s.grade_from and s.grade_to else true end)),
    shape as (select class_id, cardinality(subjects) as subjects, is_group,
        (select count(*) from member where member.class_id = wanted.class_id) as students,
        (select count(*) from taught where taught.class_id = wanted.class_id) as skills,
        (select count(*) from habit where year_id = :year and not retired and not is_group) as habits,
        (select count(*) from comment_box where year_id = :year and not retired
          and (subject is null and not is_group or subject = any(subjects))) as boxes,
        (select count(*) from work where work.class_id = wanted.class_id and term_id = :term
          and subject = any(subjects)) as work
      from wanted),
    gathered as (select w.class_id, count(*) as done from wanted w join work on work.class_id = w.class_id
        and work.term_id = :term and work.subject = any(w.subjects)
      join result on result.work_id = work.id
      join member on member.class_id = w.class_id and member.student_id = result.student_id group by 1),
    marked as (select w.class_id, count(*) as done from wanted w join member using (class_id)
      join settled_mark m on m.student_id = member.student_id and m.term_id = :term and m.subject = any(w.subjects)
      group by 1),
    rated as (select w.class_id, count(*) as done from wanted w join member using (class_id)
      join settled_level l on l.student_id = member.student_id and l.term_id = :term
      where (l.kind = 'skill' and exists (select from taught t where t.class_id = w.class_id and t.id = l.about))
        or (l.kind = 'habit' and not w.is_group and l.about in (select key from habit where year_id = :year and not retired))
      group by 1),
    written as (select w.class_id, count(*) as done, count(*) filter (where c.status = 'finished') as finished
      from wanted w join member using (class_id)
      join comment c on c.student_id = member.student_id and c.term_id = :term and c.text <> ''
      join comment_box b on b.year_id = :year and b.key = c.box and not b.retired
        and (b.subject is null and not w.is_group or b.subject = any(w.subjects)) group by 1),
    sent as (select m.class_id, count(distinct m.student_id) as done from report_run r
      join member m on m.class_id = r.class_id and m.student_id = any(r.student_ids)
      where r.term_id = :term and r.state = 'finished' group by 1)
  select shape.class_id as "classId", students::int, json_build_object(
    'gather', json_build_object('done', coalesce(gathered.done, 0), 'of', students * work),
    'settle', json_build_object('done', coalesce(marked.done, 0) + coalesce(rated.done, 0),
      'of', students * (subjects + skills + habits)),
    'write', json_build_object('done', coalesce(written.done, 0), 'of', students * boxes),
    'read', json_build_object('done', coalesce(written.finished, 0), 'of', students * boxes),
    'send', json_build_object('done', coalesce(sent.done, 0), 'of', case when is_group then 0 else students end)
    ) as counts
  from shape left join gathered using (class_id) left join marked using (class_id) left join rated using (class_id)
    left join written using (class_id) left join sent using (class_id)`

/** How far classes are in a term, by class; in one query. */
export async function countClasses(
  db: Knex,
  term: Pick<Term, 'id' | 'yearId'> & { today: string },
  classes: readonly ClassToCount[],
): Promise<Map<string, { students: number; counts: StudentProgress }>> {
  const { rows } = await db.raw<{ rows: { classId: string; students: number; counts: StudentProgress }[] }>(
    countsQuery,
    {
      term: term.id,
      year: term.yearId,
      today: term.today,
      classes: JSON.stringify(classes.map(({ classId, subjects }) => ({ class_id: classId, subjects }))),
    },
  )
  return new Map(rows.map(({ classId, ...each }) => [classId, each]))
}
