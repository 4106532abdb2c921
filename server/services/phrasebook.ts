import type { CheckSettings } from '../../core/checks/checkSettings'
import type {
  DescribingToWrite,
  PhraseChange,
  PhrasesToWrite,
  PhraseToWrite,
  PhraseUses,
  PlanToWrite,
} from '../../contracts/phrasebook'
import { phraseProblem } from '../../core/exchange/phrasebookFile'
import type { Phrase } from '../../core/narrative/phrase'
import { readPlan, writePlan } from '../../core/narrative/plan'
import { displayName } from '../../core/people/names'
import type { StudentComment } from '../../core/record/classRecord'
import { planProblems } from '../../core/record/planProblems'
import { isRedraftable } from '../../core/record/redraftable'
import { allow, mayChangePhrase, mayChangeSchool, mayReadClass } from '../access/access'
import { Refusal } from '../access/refusal'
import { recordChanges, type Change, type Row } from '../data/changes'
import { phraseColumns } from '../data/phraseColumns'
import type { Context } from './context'

/** Puts phrases in, changes and takes out, as one event: all of it or nothing. */
export async function writePhrases(context: Context, { phrases, removed }: PhrasesToWrite): Promise<number | null> {
  const ids = [...new Set([...phrases.map((phrase) => phrase.id), ...removed])]
  if (ids.length < phrases.length + removed.length) throw new Refusal('invalid', 'The same phrase stands here twice.')
  const standing = await phrasesNow(context, ids)
  const subjects = new Set([
    'any',
    'general',
    ...(await context.db<{ key: string }>('subject').select('key')).map((row) => row.key),
  ])
  const last = (await context.db('phrase').max<{ max: number | null }[]>('position as max'))[0]?.max ?? 0
  const changes = phrases.map((phrase, nth): Change => {
    const now = standing.get(phrase.id)
    if (now && phrase.was !== undefined && phrase.was !== now.text)
      throw new Refusal('conflict', `This phrase has been changed meanwhile: “${now.text}”. Nothing was overwritten.`)
    const made = checked(phrase, subjects, context)
    allow(
      mayChangePhrase(context.who, made.owner) && (now === undefined || mayChangePhrase(context.who, now.owner)),
      made.owner === null ? 'change the school’s phrases' : 'change this phrase',
    )
    return {
      table: 'phrase',
      key: { id: phrase.id },
      after: { ...phraseColumns(made), position: now?.position ?? last + 1 + nth },
    }
  })
  const gone = removed.map((id): Change => {
    const now = standing.get(id)
    if (!now) throw new Refusal('not found', `There is no phrase “${id}” any more.`)
    allow(
      mayChangePhrase(context.who, now.owner),
      now.owner === null ? 'take out the school’s phrases' : 'take out this phrase',
    )
    return { table: 'phrase', key: { id }, after: null }
  })
  return save(context, `changed ${changes.length + gone.length} phrases`, [...changes, ...gone])
}

function checked(
  { owner, was: _was, ...phrase }: PhraseToWrite,
  subjects: ReadonlySet<string>,
  context: Context,
): Phrase {
  if (!subjects.has(phrase.subject)) throw new Refusal('invalid', `There is no subject “${phrase.subject}”.`)
  const made: Phrase = { ...phrase, owner: owner === 'school' ? null : context.who.personId }
  const problem = phraseProblem(made)
  if (problem !== null) throw new Refusal('invalid', `“${phrase.text}”: ${problem}`)
  return made
}

async function phrasesNow(
  { db }: Context,
  ids: readonly string[],
): Promise<Map<string, { owner: string | null; position: number; text: string }>> {
  const rows = await db<{ id: string; owner: string | null; position: number; text: string }>('phrase')
    .whereIn('id', [...ids])
    .select('id', 'owner', 'position', 'text')
  return new Map(rows.map((row) => [row.id, row]))
}

/** The describing words of a tier, as the whole list shall be. */
export async function writeDescribing(context: Context, { tier, words }: DescribingToWrite): Promise<number | null> {
  allow(mayChangeSchool(context.who), 'change the school’s describing words')
  if (new Set(words).size < words.length) throw new Refusal('invalid', 'The same word stands here twice.')
  const standing = await context.db<{ tier: string; word: string }>('describing_word').where({ tier }).select('word')
  const gone = standing
    .filter(({ word }) => !words.includes(word))
    .map(({ word }): Change => ({ table: 'describing_word', key: { tier, word }, after: null }))
  return save(context, `changed the describing words for ${tier}`, [
    ...gone,
    ...words.map((word, position): Change => ({ table: 'describing_word', key: { tier, word }, after: { position } })),
  ])
}

/** The plan of a box. Refused when it names what the school does not have. */
export async function writeBoxPlan(
  context: Context,
  key: string,
  { plan: written }: PlanToWrite,
): Promise<number | null> {
  allow(mayChangeSchool(context.who), 'change the school’s plans')
  const box = await context.db<{ key: string; subject: string | null } & Row>('comment_box').where({ key }).first()
  if (!box) throw new Refusal('not found', 'There is no such box.')
  const [skills, habits] = await Promise.all([
    context
      .db('skill')
      .select(
        'id',
        'subject',
        'strand',
        'statement',
        'family_words as familyWords',
        'in_sentence as inSentence',
        'teacher_only as teacherOnly',
      ),
    context.db('habit').select('key', 'name', 'family_words as familyWords', 'scale'),
  ])
  const plan = readable(written)
  const [problem] = planProblems({ subject: box.subject, plan }, skills, habits)
  if (problem !== undefined) throw new Refusal('invalid', problem)
  const { key: _key, ...columns } = box
  return save(context, `changed the plan of ${key}`, [
    { table: 'comment_box', key: { key }, after: { ...columns, plan: writePlan(plan) } },
  ])
}

function readable(written: string): ReturnType<typeof readPlan> {
  try {
    return readPlan(written)
  } catch (error) {
    throw new Refusal('invalid', error instanceof Error ? error.message : String(error))
  }
}

/** What the school's checks look for. */
export async function writeChecks(context: Context, checks: CheckSettings): Promise<number | null> {
  allow(mayChangeSchool(context.who), 'change what the checks look for')
  const school = await context.db<{ id: number; settings: Record<string, unknown> }>('school').first()
  if (!school) throw new Refusal('not found', 'There is no school yet.')
  return save(context, 'changed what the checks look for', [
    { table: 'school', key: { id: school.id }, after: { settings: { ...school.settings, checks } } },
  ])
}

/** How a phrase came to be what it is, newest first. */
export async function phraseHistory({ db, who }: Context, id: string): Promise<PhraseChange[]> {
  const rows = (await db('event')
    .join('person', 'person.id', 'event.person_id')
    .whereNull('event.class_id')
    .whereRaw('event.changes @> ?::jsonb', [JSON.stringify([{ table: 'phrase', key: { id } }])])
    .orderBy('event.id', 'desc')
    .limit(50)
    .select(
      'event.id',
      'event.at',
      'event.changes',
      'event.undone_by',
      'event.person_id',
      'person.given_name',
      'person.family_name',
    )) as {
    id: string
    at: Date
    changes: { table: string; key: Row; before: Row | null; after: Row | null }[]
    undone_by: string | null
    person_id: string
    given_name: string
    family_name: string
  }[]
  return rows.flatMap((row) => {
    const change = row.changes.find((each) => each.table === 'phrase' && each.key.id === id)
    // A colleague's own phrase is nobody else's business.
    const owner = change?.after?.owner ?? change?.before?.owner ?? null
    if (!change || (owner !== null && owner !== who.personId)) return []
    const textOf = (state: Row | null): string | null => (state === null ? null : String(state.text))
    return [
      {
        event: Number(row.id),
        at: row.at.toISOString(),
        by: displayName({ given: row.given_name, family: row.family_name }),
        before: textOf(change.before),
        after: textOf(change.after),
        undoable: row.undone_by === null && row.person_id === who.personId,
      },
    ]
  })
}

/** Where a phrase is said this term, class by class, in the classes that the person may read. */
export async function phraseUses({ db, who }: Context, id: string, termId: string): Promise<PhraseUses[]> {
  const rows = (await db('comment')
    .join('enrolment', 'enrolment.student_id', 'comment.student_id')
    .join('class_room', 'class_room.id', 'enrolment.class_id')
    .where('comment.term_id', termId)
    .whereRaw('comment.sentences @> ?::jsonb', [JSON.stringify([{ phraseIds: [id] }])])
    .orderBy('class_room.name')
    .select(
      'class_room.id as classId',
      'class_room.name as className',
      'comment.own_words as ownWords',
      'comment.status',
    )) as (Pick<PhraseUses, 'classId' | 'className'> & Pick<StudentComment, 'ownWords' | 'status'>)[]
  const uses = new Map<string, PhraseUses>()
  for (const row of rows.filter(({ classId }) => mayReadClass(who, classId))) {
    const use = uses.get(row.classId) ?? { classId: row.classId, className: row.className, drafts: 0, staying: 0 }
    use[isRedraftable(row) ? 'drafts' : 'staying'] += 1
    uses.set(row.classId, use)
  }
  return [...uses.values()]
}

/** Makes changes to what belongs to the whole school, recorded as one event. */
async function save({ db, who }: Context, kind: string, changes: readonly Change[]): Promise<number | null> {
  return db.transaction((trx) =>
    recordChanges(trx, { personId: who.personId, classId: null, termId: null, kind }, changes),
  )
}
