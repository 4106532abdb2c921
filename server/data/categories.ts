import type { Knex } from 'knex'
import type { CategoriesElsewhere } from '../../contracts/categories'

/** How many pieces of work of any term are in each category of a subject in a class, by the category's key. */
export async function worksInCategories(db: Knex, classId: string, subject: string): Promise<Map<string, number>> {
  const { rows } = await db.raw<{ rows: { category: string; count: number }[] }>(
    'select category, count(*) as count from work where class_id = ? and subject = ? group by category',
    [classId, subject],
  )
  return new Map(rows.map(({ category, count }) => [category, count]))
}

/** Categories and weights of other places: the same subject's first, then newer years, then by class. */
export async function loadCategoriesElsewhere(
  db: Knex,
  { classId, subject }: { classId: string; subject: string },
): Promise<CategoriesElsewhere[]> {
  const { rows } = await db.raw<{ rows: CategoriesElsewhere[] }>(
    `select class_room.name as "className", school_year.name as year, subject.name as subject,
       json_agg(json_build_object('name', category.name, 'weight', weight, 'isExam', is_exam) order by category.key) as categories
     from category join class_room on class_room.id = class_id join school_year on school_year.id = class_room.year_id
       join subject on subject.year_id = school_year.id and subject.key = category.subject
     where (class_id, category.subject) <> (:classId, :subject)
     group by class_room.id, school_year.id, subject.year_id, subject.key
     order by subject.key = :subject desc, school_year.starts desc, class_room.name, subject.position limit 60`,
    { classId, subject },
  )
  return rows
}
