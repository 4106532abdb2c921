import type { RightsAnswer } from '../../contracts/privacy'
import { changesSchool, grantsIn, type ClassTeaching, type Grants, type Who } from './grants'

// The page that says who may see what asks the rules themselves, so that it never says anything else.

/** A class of grade 5 in which music is a specialist's. */
const room: ClassTeaching = { classId: 'class', group: null, specialistSubjects: ['music'], grades: ['5'] }
/** A group out of it and others, in which music is taught. */
const group: ClassTeaching = { classId: 'class', group: 'music', specialistSubjects: ['music'], grades: ['5', '6'] }
const staff = (more: Partial<Who>): Who => ({ personId: 'p', role: 'teacher', grades: null, teaching: [], ...more })
const lesson = (subject: string | null, secondReader = false): Who['teaching'][number] => ({
  classId: 'class',
  subject,
  secondReader,
})

const people: readonly [who: string, asked: Who, where?: ClassTeaching][] = [
  ['Teacher of the class', staff({ teaching: [lesson(null)] })],
  ['Teacher of a subject in it', staff({ teaching: [lesson('music')] })],
  ['Teacher of a group out of it', staff({ teaching: [lesson('music')] }), group],
  ['Second reader of the class', staff({ teaching: [lesson(null, true)] })],
  ['Second reader of a subject', staff({ teaching: [lesson('music', true)] })],
  ['Teacher of another class', staff({ teaching: [{ ...lesson(null), classId: 'other' }] })],
  ['Coordinator of its grade', staff({ role: 'coordinator', grades: { from: 5, to: 5 } })],
  ['Coordinator of other grades', staff({ role: 'coordinator', grades: { from: 7, to: 8 } })],
  ['Coordinator of the school', staff({ role: 'coordinator' })],
]

type Ask = (grants: Grants, who: Who) => boolean

const things: readonly [what: string, reads: Ask, changes: Ask][] = [
  [
    'A specialist’s subject: results, marks, skills, comments',
    (may) => may.readsSubject('music'),
    (may) => may.changes('subject music'),
  ],
  ['The other subjects of the class', (may) => may.readsSubject('science'), (may) => may.changes('subject science')],
  [
    'Habits, attendance, practice and the general comment',
    (may) => may.sees('habit', null),
    (may) => may.changes('general'),
  ],
  [
    'Notes that belong to no subject',
    (may) => may.sees('note', null),
    (may) => may.sees('note', null) && may.changes('general'),
  ],
  ['Reports of the class', (may) => may.makesReports, (may) => may.makesReports],
  ['The school’s set-up, people, classes and phrasebook', () => true, (_may, who) => changesSchool(who)],
  [
    'Contacts, a child’s whole data, who opened it',
    (_may, who) => changesSchool(who),
    (_may, who) => changesSchool(who),
  ],
]

/** Who may read and change what, for the people there are in a school. */
export function rightsTable(): Pick<RightsAnswer, 'people' | 'rows'> {
  const asked = people.map(([, who, where = room]) => ({ who, may: grantsIn(who, where) }))
  return {
    people: people.map(([title]) => title),
    rows: things.map(([what, reads, changes]) => ({
      what,
      reads: asked.map(({ may, who }) => reads(may, who)),
      changes: asked.map(({ may, who }) => changes(may, who)),
    })),
  }
}
