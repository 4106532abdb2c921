import type { Knex } from 'knex'
import type { Term } from '../../core/record/term'
import type { StudentProgress } from '../../core/terms/progress'
import { askPrepared } from './prepared'

/** A class to count, with the subjects that the person reads there. */
export interface ClassToCount {
  classId: string
  subjects: readonly string[]
}

/**
 * The classes to count, with their children, and the skills, habits and boxes that count there, as CTEs; and what is
 * there and owed of subjects that a child does not take, which does not count.
 */
const rooms = `
  with wanted as materialized (select class_id, subjects, subject is not null as is_group
      from jsonb_to_recordset(:classes::jsonb) as w(class_id uuid, subjects text[])
      join class_room on class_room.id = class_id),
    member as materialized (select wanted.class_id, student_id, grade_level
      from wanted, members_of(wanted.class_id, :term, :today)),
    filled as (select class_id, array_agg(student_id) as students from member group by class_id),
    room as materialized (select wanted.*, coalesce(students, '{}') as students,
        array(select id from skill s where s.year_id = :year and s.subject = any(wanted.subjects) and not s.retired
          and (s.grade_from is null or exists (select from member
            where member.class_id = wanted.class_id and case when grade_level ~ '^[0-9]{1,3}$'
              then grade_level::int between s.grade_from and s.grade_to else true end))) as skills,
        array(select key from habit where year_id = :year and not retired and not is_group) as habits,
        array(select key from comment_box where year_id = :year and not retired
          and (subject is null and not is_group or subject = any(wanted.subjects))) as boxes
      from wanted left join filled using (class_id)),
    not_taken as materialized (select room.*, student_id, subject from not_taking(:term, :today)
      join member using (student_id) join room on room.class_id = member.class_id and subject = any(room.subjects)),
    left_out as materialized (select class_id, student_id, sum(work) as work, sum(given) as given,
        sum(1 + skills_of.count) as to_settle, sum(marks + levels) as settled, sum(boxes_of.count) as boxes,
        sum(written) as written, sum(finished) as finished
      from not_taken as n,
        lateral (select count(*) as work, count(result.work_id) as given
          from work left join result on result.work_id = work.id and result.student_id = n.student_id
          where work.class_id = n.class_id and work.term_id = :term and work.subject = n.subject) as gathered,
        lateral (select count(*) from skill
          where year_id = :year and id = any(n.skills) and skill.subject = n.subject) as skills_of,
        lateral (select count(*) as marks from settled_mark as m
          where m.student_id = n.student_id and m.term_id = :term and m.subject = n.subject) as marked,
        lateral (select count(*) as levels from settled_level as l join skill on skill.year_id = :year
            and skill.id = l.about and skill.id = any(n.skills) and skill.subject = n.subject
          where l.student_id = n.student_id and l.term_id = :term and l.kind = 'skill') as rated,
        lateral (select count(*) from comment_box
          where year_id = :year and key = any(n.boxes) and comment_box.subject = n.subject) as boxes_of,
        lateral (select count(*) as written, count(*) filter (where status = 'finished') as finished
          from comment join comment_box on comment_box.year_id = :year and comment_box.key = comment.box
            and comment_box.key = any(n.boxes) and comment_box.subject = n.subject
          where comment.student_id = n.student_id and term_id = :term and text <> '') as said
      group by class_id, student_id)`

/**
 * What core/terms/progress.ts says of one student, summed over classes by the database: nothing but numbers comes
 * back, whatever the size of the school. The two are held together by tests/api/desk.test.ts.
 */
const countsQuery = `${rooms},
    worked as (select class_id, count(*) as work, sum((select count(*) from result
        where work_id = work.id and student_id = any(room.students))) as gathered
      from room join work using (class_id) where work.term_id = :term and work.subject = any(room.subjects)
      group by class_id),
    settled as (select class_id,
        sum((select count(*) from settled_mark m where m.student_id = member.student_id and m.term_id = :term
          and m.subject = any(room.subjects))) as marks,
        sum((select count(*) from settled_level l where l.student_id = member.student_id and l.term_id = :term
          and case l.kind when 'skill' then l.about = any(room.skills) else l.about = any(room.habits) end)) as levels,
        sum(c.written) as written, sum(c.finished) as finished
      from room join member using (class_id),
        lateral (select count(*) as written, count(*) filter (where status = 'finished') as finished from comment
          where comment.student_id = member.student_id and term_id = :term and text <> ''
            and box = any(room.boxes)) as c
      group by class_id),
    sent as (select class_id, count(distinct student_id) as reports from report_run r
      join member using (class_id) where student_id = any(r.student_ids) and r.term_id = :term and r.state = 'finished'
        and r.title is null
      group by class_id),
    less as (select class_id, sum(work) as work, sum(given) as given, sum(to_settle) as to_settle,
        sum(settled) as settled, sum(boxes) as boxes, sum(written) as written, sum(finished) as finished
      from left_out group by class_id)
  select class_id as "classId", cardinality(students) as students, json_build_object(
    'gather', json_build_object('done', coalesce(gathered, 0) - coalesce(less.given, 0),
      'of', cardinality(students) * coalesce(worked.work, 0) - coalesce(less.work, 0)),
    'settle', json_build_object('done', coalesce(marks, 0) + coalesce(levels, 0) - coalesce(less.settled, 0),
      'of', cardinality(students) * (cardinality(subjects) + cardinality(skills) + cardinality(habits))
        - coalesce(less.to_settle, 0)),
    'write', json_build_object('done', coalesce(settled.written, 0) - coalesce(less.written, 0),
      'of', cardinality(students) * cardinality(room.boxes) - coalesce(less.boxes, 0)),
    'read', json_build_object('done', coalesce(settled.finished, 0) - coalesce(less.finished, 0),
      'of', cardinality(students) * cardinality(room.boxes) - coalesce(less.boxes, 0)),
    'send', json_build_object('done', coalesce(reports, 0),
      'of', case when is_group then 0 else cardinality(students) end)) as counts
  from room left join worked using (class_id) left join settled using (class_id) left join sent using (class_id)
    left join less using (class_id)`

/** The same child by child, with their names. */
const childrenQuery = `${rooms}
  select room.class_id as "classId", student.id, used_name as "usedName", family, json_build_object(
    'gather', json_build_object('done', gathered.given - coalesce(less.given, 0),
      'of', gathered.work - coalesce(less.work, 0)),
    'settle', json_build_object('done', marks + levels - coalesce(less.settled, 0),
      'of', cardinality(subjects) + cardinality(skills) + cardinality(habits) - coalesce(less.to_settle, 0)),
    'write', json_build_object('done', said.written - coalesce(less.written, 0),
      'of', cardinality(room.boxes) - coalesce(less.boxes, 0)),
    'read', json_build_object('done', said.finished - coalesce(less.finished, 0),
      'of', cardinality(room.boxes) - coalesce(less.boxes, 0)),
    'send', json_build_object('done', case when is_group then 0 else sent end,
      'of', case when is_group then 0 else 1 end)) as progress
  from room join member using (class_id) join student on student.id = member.student_id
    join enrolment on enrolment.class_id = room.class_id and enrolment.student_id = student.id
    left join left_out as less on less.class_id = room.class_id and less.student_id = student.id,
    lateral (select count(*) as work, count(result.work_id) as given
      from work left join result on result.work_id = work.id and result.student_id = student.id
      where work.class_id = room.class_id and work.term_id = :term and work.subject = any(room.subjects)) as gathered,
    lateral (select count(*) as marks from settled_mark
      where student_id = student.id and term_id = :term and subject = any(room.subjects)) as marked,
    lateral (select count(*) as levels from settled_level where student_id = student.id and term_id = :term
      and case kind when 'skill' then about = any(room.skills) else about = any(room.habits) end) as rated,
    lateral (select count(*) as written, count(*) filter (where status = 'finished') as finished from comment
      where student_id = student.id and term_id = :term and text <> '' and box = any(room.boxes)) as said,
    lateral (select least(1, count(*) filter (where student.id = any(student_ids))) as sent from report_run
      where class_id = room.class_id and term_id = :term and state = 'finished' and title is null) as reported
  order by enrolment.position`

/** A child of a class, with how far the work about it is. */
export interface CountedChild {
  id: string
  usedName: string
  family: string
  progress: StudentProgress
}

/** The children of classes, each class's in the order of its list. */
export async function countChildren(
  db: Knex,
  term: Pick<Term, 'id' | 'yearId'> & { today: string },
  classes: readonly ClassToCount[],
): Promise<Map<string, CountedChild[]>> {
  const rows = await askPrepared<CountedChild & { classId: string }>(
    db,
    'deskChildren',
    childrenQuery,
    valuesOf(term, classes),
  )
  const byClass = new Map<string, CountedChild[]>()
  for (const { classId, ...child } of rows) byClass.set(classId, [...(byClass.get(classId) ?? []), child])
  return byClass
}

function valuesOf(
  term: Pick<Term, 'id' | 'yearId'> & { today: string },
  classes: readonly ClassToCount[],
): Record<string, string> {
  return {
    term: term.id,
    year: term.yearId,
    today: term.today,
    classes: JSON.stringify(classes.map(({ classId, subjects }) => ({ class_id: classId, subjects }))),
  }
}

/** How far classes are in a term, by class; in one query. */
export async function countClasses(
  db: Knex,
  term: Pick<Term, 'id' | 'yearId'> & { today: string },
  classes: readonly ClassToCount[],
): Promise<Map<string, { students: number; counts: StudentProgress }>> {
  const rows = await askPrepared<{ classId: string; students: number; counts: StudentProgress }>(
    db,
    'deskCounts',
    countsQuery,
    valuesOf(term, classes),
  )
  return new Map(rows.map(({ classId, ...each }) => [classId, each]))
}
