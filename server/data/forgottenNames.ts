import type { Knex } from 'knex'
import { isAlsoAWord } from '../../core/checks/wordLikeName'

/** What is written in place of a name that is to be forgotten. */
const nobody = 'a student'

/** What no text matches. */
const nothing = '\\M\\m\\M'

/** A number of fewer signs is a score, a year or a page as well. */
const leastNumber = 5

/** How a child is named, as PostgreSQL's regular expressions; null where nothing would tell that child alone. */
interface NamesToForget {
  /** First and family name beside each other, in either order: that child wherever it stands. */
  readonly whole: string
  /** The school number, where it is long enough to be no other number. */
  readonly number: string
  /** One of the names by itself, where nobody else in the school has it: that child where children's work is named. */
  readonly alone: string | null
}

/** The names of a child who is about to be erased. */
export async function namesToForget(trx: Knex.Transaction, id: string): Promise<NamesToForget> {
  const child = await trx('student').where({ id }).first()
  if (!child) return { whole: nothing, number: nothing, alone: null }
  const { used_name, legal_given, family, school_number } = child
  const given = [...new Set([used_name, legal_given])].filter((name) => name !== '').map(escaped)
  const between = String.raw`[\s,._-]+`
  const last = escaped(family)
  const both = family === '' ? [] : given.flatMap((first) => [first + between + last, last + between + first])
  const { rows } = await trx.raw<{ rows: { name: string }[] }>(
    `select name from unnest(:names::text[]) as name where length(name) > 2 and not exists (
       select from student where id <> :id
         and lower(name) in (lower(used_name), lower(legal_given), lower(family)))`,
    { id, names: [...new Set([used_name, legal_given, family])].filter((name) => !isAlsoAWord(name)) },
  )
  return {
    whole: both.length === 0 ? nothing : word(both),
    number: school_number.length < leastNumber ? nothing : word([escaped(school_number)]),
    alone: rows.length === 0 ? null : word(rows.map(({ name }) => escaped(name))),
  }
}

/** Where people write words of their own about children's work. Texts and notes about other children stay. */
const freeWords = {
  event: ['kind', 'changes'],
  work: ['title'],
  question: ['words'],
  class_room: ['name'],
  sign_off: ['note'],
  reopening: ['reason'],
  erasure: ['reason'],
  gradebook_file: ['name'],
  report_file: ['name'],
  report_run: ['title', 'message'],
} as const

/** What is kept for undoing a text, or another child's or a colleague's data, is left as that is. */
const ofOthers = `exists (select from jsonb_array_elements(changes) as change where change ->> 'table' <> all(
  array['work', 'question', 'class_room', 'sign_off', 'reopening', 'result', 'category']))`

/** Writes "a student" for the names, wherever somebody wrote them in words of their own. */
export async function forgetNames(trx: Knex.Transaction, { whole, number, alone }: NamesToForget): Promise<void> {
  for (const [table, columns] of Object.entries(freeWords)) {
    for (const column of columns) {
      const [type, unless] = column === 'changes' ? ['jsonb', ofOthers] : ['text', 'false']
      // Among what is kept for undoing a number may be a score.
      const sure = column === 'changes' ? whole : `${whole}|${number}`
      const values = { whole: sure, alone: alone ?? nothing, nobody }
      // A name by itself is one only with its capital: "rose" is none.
      const { rows } = await trx.raw<{ rows: { row: string; words: string }[] }>(
        `select ctid::text as row,
           regexp_replace(regexp_replace(${column}::text, :whole, :nobody, 'gi'), :alone, :nobody, 'g') as words
         from ${table} where (${column}::text ~* :whole or ${column}::text ~ :alone) and not (${unless})`,
        values,
      )
      for (const { row, words } of rows) await rename(trx, { table, column, type: type ?? 'text', row }, words)
    }
  }
}

/** Writes other words into a row; where they would be another's name there, with a number. */
async function rename(
  trx: Knex.Transaction,
  { table, column, type, row }: { table: string; column: string; type: string; row: string },
  words: string,
): Promise<void> {
  const write = (to: Knex.Transaction, written: string): Promise<unknown> =>
    to.raw(`update ${table} set ${column} = :written::${type} where ctid = :row::tid`, { written, row })
  for (let nth = 1; ; nth += 1) {
    try {
      await trx.transaction((savepoint) => write(savepoint, nth === 1 ? words : `${words} (${nth})`))
      return
    } catch (error) {
      const isTaken = error instanceof Error && 'code' in error && error.code === '23505'
      if (!isTaken || nth > 50) throw error
    }
  }
}

/** A name's letters, none of them a sign of an expression. */
function escaped(name: string): string {
  return name.replace(/[^\p{L}\p{N}]/gu, (sign) => (/\s/.test(sign) ? String.raw`\s+` : `\\${sign}`))
}

/** One of them as a whole word. */
function word(names: readonly string[]): string {
  return String.raw`\m(${names.join('|')})\M`
}
