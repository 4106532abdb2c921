import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { exampleClass } from '../../../tests/exampleClass'
import { indexRecord, type RecordIndex } from '../../record/recordIndex'
import type { StudentResult } from '../../record/termRecord'
import { classTables } from '../lists/classTables'
import { guessGradebook } from '../gradebook/guessGradebook'
import { planClassList } from '../lists/planClassList'
import { planQuestions } from '../lists/planQuestions'
import { planImport, type ImportPlan } from '../gradebook/planImport'
import { readSheets } from '../files/readSheets'
import { readTable, type Table } from '../files/readTable'
import { writeCsv } from '../files/writeCsv'
import { writeBundle } from './writeBundle'

// OneRoster's headings, manifest and words are from memory of 1EdTech's CSV binding, 1.1 and 1.2 (see tables.ts).

const zipped = (files: Readonly<Record<string, string>>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])))
const shown = (bytes: Uint8Array) =>
  readSheets(bytes).map(({ sheet, table }) => [sheet, ...table.rows.map(({ cells }) => cells.join('|'))])

/** A bundle as another program writes it: 1.1, with what Facunda does not need, and a row that is to go. */
const elsewhere = {
  'manifest.csv':
    'propertyName,value\nmanifest.version,1.0\noneroster.version,1.1\nfile.classes,bulk\nfile.users,bulk\n' +
    'file.enrollments,bulk\nfile.lineItems,bulk\nfile.results,bulk\nfile.categories,absent\nfile.orgs,absent\n' +
    'file.academicSessions,absent\nfile.courses,absent\nfile.demographics,absent\n',
  'classes.csv': 'sourcedId,status,dateLastModified,title,grades,courseSourcedId\nk1,,,"5 Ash, Sums",05,c1\n',
  'users.csv':
    'sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName,' +
    'identifier,grades\n' +
    'u1,,,true,o1,student,maya,,Maya,O’Hara,n1,05\nu2,tobedeleted,,true,o1,student,sam,,Sam,Reed,n2,05\n' +
    'u3,,,true,o1,student,zoe,,Zoë,Bae,,05\nt1,,,true,o1,teacher,ada,,Ada,Moss,,\n',
  'enrollments.csv':
    'sourcedId,classSourcedId,schoolSourcedId,userSourcedId,role,status,dateLastModified\n' +
    'e1,k1,o1,u1,student,,\ne2,k1,o1,u2,student,,\ne3,k1,o1,u3,student,,\ne4,k1,o1,t1,teacher,,\n',
  'lineItems.csv':
    'sourcedId,title,classSourcedId,dueDate,categorySourcedId,resultValueMax\n' +
    'l1,"Quiz, first",k1,2027-01-20T00:00:00.000Z,q,10\nl2,Map,k1,2027-02-01,q,20\n',
  'results.csv':
    'sourcedId,lineItemSourcedId,studentSourcedId,scoreStatus,score,comment\n' +
    'r1,l1,u1,fully graded,7.5,"Said ""why?"""\nr2,l1,u3,exempt,,\nr3,l2,u1,not submitted,,\nr4,l2,u3,late,12,\n' +
    'r5,l9,u1,fully graded,3,\nr6,l2,u9,submitted,,\n',
  'categories.csv': 'sourcedId,title\nq,Never read\n',
}

describe('a bundle from elsewhere', () => {
  it('is read class by class; what the manifest calls absent is not, nor what is to be deleted', () => {
    expect(shown(zipped(elsewhere))).toEqual([
      [
        '5 Ash, Sums: results',
        'Number|Given name|Family name|Work|Category|Date|Out of|Weight|Into the mark|Score|Remark',
        'n1|Maya|O’Hara|Quiz, first||2027-01-20|10|||7.5|Said "why?"',
        'u3|Zoë|Bae|Quiz, first||2027-01-20|10|||excused|',
        'n1|Maya|O’Hara|Map||2027-02-01|20|||missing|',
        'u3|Zoë|Bae|Map||2027-02-01|20|||late 12|',
        'u9|||Map||2027-02-01|20||||',
      ],
      [
        '5 Ash, Sums: students',
        'Number|Given name|Used name|Family name|Pronouns|Grade',
        'n1|Maya||O’Hara||5',
        'u3|Zoë||Bae||5',
      ],
    ])
  })

  it('may lie in a folder of the zip, with a byte order mark and names in capitals', () => {
    const moved = Object.entries(elsewhere).map(([name, text]) => [`export/${name.toUpperCase()}`, `\ufeff${text}`])
    expect(shown(zipped(Object.fromEntries(moved)))).toEqual(shown(zipped(elsewhere)))
  })

  it.each([
    ['another version', { 'manifest.csv': elsewhere['manifest.csv'].replace('1.1', '2.0') }, 'is of version 2.0'],
    ['no version', { 'manifest.csv': 'propertyName,value\n' }, 'is of version none'],
    ['a file that is not there', { 'users.csv': null }, 'promises users.csv'],
    ['a file without its key', { 'results.csv': 'score\n4\n' }, 'results.csv has no column sourcedId'],
    ['nobody in it', { 'enrollments.csv': 'sourcedId\n', 'results.csv': 'sourcedId\n' }, 'No class in this'],
  ] as [string, Record<string, string | null>, string][])('with %s is told in words', (_what, change, words) => {
    const files = Object.entries({ ...elsewhere, ...change }).filter(([, text]) => text !== null)
    expect(() => readSheets(zipped(Object.fromEntries(files) as Record<string, string>))).toThrow(words)
  })
})

function planned({ record, workOf, categoriesOf }: RecordIndex, table: Table): ImportPlan {
  const categories = categoriesOf('sums')
  const guess = guessGradebook(
    table,
    categories.map(({ name }) => name),
  )
  return planImport(table, guess, { ...record, work: workOf('sums'), categories })
}
const summary = ({ results, work, refused, newCategories, categoryWeights, doubtful }: ImportPlan) => ({
  changes: [...new Set([...results, ...work].map(({ change }) => change))],
  given: results.length,
  refused,
  newCategories,
  categoryWeights,
  doubtful,
})
const unchanged = { changes: ['unchanged'], refused: [], newCategories: [], categoryWeights: [], doubtful: [] }

const result = fc.oneof(
  fc.record({ state: fc.constantFrom('scored' as const, 'late' as const), score: fc.constantFrom(0, 7.5, 10, 0.1) }),
  fc.record({
    state: fc.constantFrom('missing' as const, 'excused' as const, 'incomplete' as const),
    score: fc.constant(null),
  }),
)
const remark = fc.oneof(fc.constantFrom('', '=1+1', '"', "it's", 'a,b;c\nd', 'שלום'), fc.string({ maxLength: 8 }))
const givenResults = fc.array(
  fc.record({ workId: fc.constantFrom('w1', 'w2'), studentId: fc.constantFrom('1', '2'), result, remark }),
  { minLength: 1, maxLength: 4 },
)
const withGiven = (given: readonly { workId: string; studentId: string; result: object; remark: string }[]) =>
  indexRecord(
    exampleClass({
      work: exampleClass().work.map((piece) =>
        piece.id === 'w1' ? { ...piece, weight: 2.5 } : { ...piece, weight: 1, date: null },
      ),
      results: [
        ...new Map(
          given.map(({ workId, studentId, result: had, remark: said }) => [
            `${workId} ${studentId}`,
            { workId, studentId, ...had, remark: said.replace(/\s+/g, ' ').trim() } as StudentResult,
          ]),
        ).values(),
      ],
    }),
  )

describe('what goes out', () => {
  it('as a OneRoster bundle comes in again, and nothing in it is new', () => {
    fc.assert(
      fc.property(givenResults, (given) => {
        const index = withGiven(given)
        const [sheet] = readSheets(zipped(Object.fromEntries(writeBundle(index))))
        if (!sheet) throw new Error('There is no sheet.')
        const plan = planned(index, sheet.table)
        expect(summary(plan)).toEqual({ ...unchanged, given: index.record.results.length })
      }),
      { numRuns: 200 },
    )
  })

  it('as tables comes in again, results and all the rest, and nothing in it is new', () => {
    const example = exampleClass()
    const index = indexRecord({
      ...example,
      attendance: [{ studentId: '2', daysOpen: 40, absences: 2, lates: 0 }],
      work: example.work.map((piece) => (piece.id === 'w2' ? { ...piece, title: '+ and −', counts: false } : piece)),
      results: example.results.map((result) => ({ ...result, remark: result.workId === 'w2' ? '= her best' : '' })),
      questions: [
        { workId: 'w1', number: 1, words: 'Tens', skill: 's1', outOf: 4 },
        { workId: 'w1', number: 2, words: '', skill: null, outOf: 6 },
      ],
      answers: [{ workId: 'w1', number: 1, studentId: '1', score: 3.5 }],
      practice: [
        { studentId: '2', program: '=Pages', kind: 'minutes', name: '2027-01-11', amount: 40, beside: 60 },
        { studentId: '2', program: '=Pages', kind: 'goal', name: 'Ten books', amount: 4, beside: 10 },
        { studentId: '1', program: '=Pages', kind: 'score', name: 'Fluency', amount: null, beside: 60 },
      ],
      observations: example.observations.map((note) => ({ ...note, text: '-1 is below 0, she said.' })),
    })
    const register = [{ studentId: '2', day: '2027-01-12', presence: 'absent' as const }]
    const tables = new Map(classTables(index, register).map(({ name, rows }) => [name, writeCsv(rows)]))
    expect([...tables.keys()]).toEqual([
      'Students',
      'Results Sums',
      'Remarks Sums',
      'Questions Sums',
      'Marks',
      'Levels',
      'Habits',
      'Attendance',
      'Register',
      'Practice',
      'Notes',
    ])
    const results = planned(index, readTable(tables.get('Results Sums') ?? ''))
    expect(summary(results)).toEqual({ ...unchanged, given: 2 })
    const remarked = planned(index, readTable(tables.get('Remarks Sums') ?? ''))
    expect(summary(remarked)).toEqual({ ...unchanged, given: 1 })
    const [quiz] = index.record.work.filter(({ id }) => id === 'w1')
    const asked = quiz && planQuestions(tables.get('Questions Sums') ?? '', index, quiz)
    expect([asked?.unchanged, asked?.lines, asked?.refused]).toEqual([1, [], []])
    // In a class that has none of it yet, all of it comes: what only informs too, and a question nobody answered.
    const bare = indexRecord({ ...index.record, work: [], results: [], questions: [], answers: [] })
    const anew = planned(bare, readTable(tables.get('Results Sums') ?? ''))
    expect(anew.work.map(({ work }) => [work.title, work.counts])).toContainEqual(['+ and −', false])
    const without = { ...bare.record, categories: [] }
    const weights = planned(indexRecord(without), readTable(tables.get('Results Sums') ?? '')).categoryWeights
    expect(weights.map(({ name, weight }) => [name, weight])).toEqual(
      index.categoriesOf('sums').map(({ name, weight }) => [name, weight]),
    )
    const paper = quiz && planQuestions(tables.get('Questions Sums') ?? '', bare, quiz)
    expect([paper?.questions, paper?.refused]).toEqual([index.record.questions, []])
    for (const [name, count] of [
      ['Marks', 1],
      ['Levels', 3],
      ['Habits', 1],
      ['Attendance', 1],
      ['Practice', 3],
      ['Notes', 1],
    ] as const) {
      const plan = planClassList(tables.get(name) ?? '', index, {
        ...{ may: () => true, today: '2027-03-01', program: '', presenceOn: () => undefined },
      })
      expect([name, plan.unchanged, plan.lines, plan.refused, plan.unknown]).toEqual([name, count, [], [], []])
    }
  })

  it('has a manifest that names every file, and each file the headings of the standard first', () => {
    const files = writeBundle(indexRecord(exampleClass()))
    const said = readTable(files.get('manifest.csv') ?? '').rows.map(({ cells }) => cells.join('='))
    expect(said).toContain('oneroster.version=1.2')
    for (const name of files.keys())
      if (name !== 'manifest.csv') expect(said).toContain(`file.${name.replace('.csv', '')}=bulk`)
    const heads = files.get('lineItems.csv')?.split('\r\n')[0]
    expect(heads).toMatch(/^sourcedId,status,dateLastModified,title,description,assignDate,dueDate,classSourcedId,/)
    expect(heads).toMatch(/,metadata\.facunda\.weight,metadata\.facunda\.counts,metadata\.facunda\.dated$/)
  })
})
