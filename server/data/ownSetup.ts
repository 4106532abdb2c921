import type { Knex } from 'knex'
import type { OwnSetupAnswer, SetupUses } from '../../contracts/ownSetup'

const rowsQuery = `
  select (select name from school_year where id = :year) as year,
    (select settings - 'checks' || jsonb_build_object('layout', (select definition from layout where year_id = :year
      order by key limit 1)) from school where year_id = :year) as school,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'inSentence', in_sentence,
      'markScale', mark_scale, 'skillScale', skill_scale, 'takenBy', taken_by, 'strandNames', strand_names,
      'markScaleByGrade', mark_scale_by_grade, 'skillScaleByGrade', skill_scale_by_grade, 'position', position, 'retired', retired)
      order by position), '[]') from subject where year_id = :year) as subjects,
    (select coalesce(json_agg(json_build_object('id', id, 'subject', subject, 'strand', strand, 'statement', statement,
      'familyWords', family_words, 'inSentence', in_sentence, 'does', does,
      'grades', case when grade_from is null then null else json_build_object('from', grade_from, 'to', grade_to) end,
      'teacherOnly', teacher_only, 'position', position, 'retired', retired) order by position), '[]')
      from skill where year_id = :year) as skills,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'familyWords', family_words, 'scale', scale,
      'position', position, 'retired', retired) order by position), '[]') from habit where year_id = :year) as habits,
    (select coalesce(json_agg(json_build_object('key', key, 'name', name, 'subject', subject,
      'limit', character_limit, 'limitByGrade', limit_by_grade, 'tone', tone, 'plan', plan, 'position', position, 'retired', retired)
      order by position), '[]') from comment_box where year_id = :year) as boxes,
    (select coalesce(json_agg(definition order by key), '[]') from scale where year_id = :year) as scales`

/** A year's set-up row by row, with what is retired. */
export async function loadSetupRows(db: Knex, yearId: string): Promise<Omit<OwnSetupAnswer, 'uses'> | undefined> {
  const { rows } = await db.raw<{ rows: (Omit<OwnSetupAnswer, 'uses' | 'year'> & { year: string | null })[] }>(
    rowsQuery,
    { year: yearId },
  )
  const [row] = rows
  return row?.year ? { ...row, year: row.year } : undefined
}

const usesQuery = `
  with own as (select id from term where year_id = :year)
  select 'level ' || kind as of, about as key, symbol, count(*) as uses
    from settled_level where term_id in (select id from own) group by kind, about, symbol
  union all select 'box', box, null, count(*) from comment
    where term_id in (select id from own) and text <> '' group by box
  union all select 'subject', subject, null, count(*) from settled_mark
    where term_id in (select id from own) group by subject
  union all select 'subject', subject, null, count(*) from work where term_id in (select id from own) group by subject
  union all select 'subject', subject, null, count(*) from subject_choice where year_id = :year group by subject`

/** How much of the year rests on each row of its set-up. */
export async function countUses(
  db: Knex,
  yearId: string,
  { subjects, skills, habits }: Pick<OwnSetupAnswer, 'subjects' | 'skills' | 'habits'>,
): Promise<SetupUses> {
  const { rows } = await db.raw<{ rows: { of: string; key: string; symbol: string | null; uses: number }[] }>(
    usesQuery,
    { year: yearId },
  )
  const uses: SetupUses = { subject: {}, skill: {}, habit: {}, box: {}, scale: {} }
  const add = (counts: Record<string, number>, key: string, by: number): void => {
    counts[key] = (counts[key] ?? 0) + by
  }
  for (const { of, key, symbol, uses: count } of rows) {
    if (of === 'box' || of === 'subject') add(uses[of], key, count)
    if (symbol === null) continue
    const skill = skills.find((each) => each.id === key)
    const isHabit = of === 'level habit'
    add(isHabit ? uses.habit : uses.skill, key, count)
    // A level is on the scale of its class's grade; all that it may be on are asked to keep it.
    const subject = subjects.find((each) => each.key === skill?.subject)
    const scales = isHabit
      ? [habits.find((each) => each.key === key)?.scale]
      : [subject?.skillScale, ...(subject?.skillScaleByGrade ?? []).map(({ is }) => is)]
    for (const scale of new Set(scales)) if (scale !== undefined) add((uses.scale[scale] ??= {}), symbol, count)
  }
  return uses
}
