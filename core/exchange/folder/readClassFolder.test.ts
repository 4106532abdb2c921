import { describe, expect, it } from 'vitest'
import { usualMarkRules } from '../../marks/markRules'
import { she, they } from '../../people/pronouns'
import { usualCheckSettings } from '../../school/checkSettings'
import { problemText } from '../problem'
import { readClassFolder, withProposalsTaken } from './readClassFolder'

const term = { name: 'Spring term', year: '2027', starts: '2027-01-11', ends: '2027-03-26' }
const days = { commentsDue: '2027-03-12', locks: '2027-03-19' }
const school = { name: 'Willow School', place: 'Willow', markRules: usualMarkRules, possessives: 'apostrophe only' }
const classRoom = { name: '5 Willow', teacher: 'Ada Moss' }
const before = { ...term, ...days, name: 'Autumn term' }

/** A class of two in files, small enough to be read by eye. */
const files: Record<string, string> = {
  'class.json': JSON.stringify({ school, classRoom, term: { ...term, ...days }, termBefore: before }),
  'layout.json': JSON.stringify({ key: 'l', title: 'Report', paper: 'A4', marks: 'level', parts: ['subjects'] }),
  'scales.csv': `scale,kind,scale name,symbol,name,family sentence,tier,lowest percent
m,mark,Marks,A,Good,Went well.,top,"50,5"
m,Mark,Marks,B,Fair,Went on.,growing,0
s,skill,Levels,2,Sure,Sure of it.,TOP,
s,skill,Levels,1,New,New to it.,starting,`,
  'subjects.csv': `key,name,in a sentence,teacher,mark scale,skill scale
sums,Sums,,Tom Rush,m,s
art,Art and craft,art,,m,s`,
  'skills.csv': `id,subject,strand,statement,family words,in a sentence,teacher only
n1,sums,Number,Adds,Adds numbers,adding numbers,
n2,SUMS,Number,Screens,,,Yes`,
  'habits.csv': 'key,name,family words,scale\ncare,Taking care,Takes care,s',
  'students.csv': `number,given name,used name,family name,pronouns,grade level
7,Amaya,Maya,Reed,she/her,5
8,Sam,,Stone,they,5`,
  'categories.csv': 'subject,name,weight\nsums,Quizzes,60\nsums,Work,40',
  'attendance.csv': 'number,days open,absences,lates\n7,40,2,1',
  'marks.csv': 'number,subject,mark,reason\n7,sums,71.5,She did more\n8,sums,incomplete,',
  'marks-before.csv': 'number,subject,mark\n7,sums,60',
  'levels.csv': 'number,skill,level\n7,n1,2\n8,N1,na',
  'levels-before.csv': 'number,skill,level\n7,n1,1',
  'habit-scores.csv': 'number,habit,score\n7,care,1',
  'habit-scores-before.csv': 'number,habit,score\n8,care,2',
  'boxes.csv': `key,name,subject,limit,plan,tone
general,General,,300,habit care,warm
sums,Sums,sums,200,outcome Number,`,
  'phrasebook.csv': `id,subject,part,about,levels,text,tone,grades
p1,sums,outcome,Number,top,{Name} adds.,,`,
  'describing-words.csv': 'level,word\ntop,superb\ntop,fine\nsound,steady',
  'gradebook-sums.csv': `Number,Name,Quiz one /10,Sheet /20
Category,,Quizzes,work
Date,,2027-02-01,2027-02-08
7,Maya Reed,8,15
8,Sam Stone,6,missing`,
}

const folderOf = (texts: Record<string, string>) =>
  new Map(Object.entries(texts).map(([name, text]) => [name, new TextEncoder().encode(text)]))
const without = (...names: string[]) =>
  Object.fromEntries(Object.entries(files).filter(([name]) => !names.includes(name)))
const level = (symbol: string, name: string, familySentence: string, tier: string, lowestPercent: number | null) => ({
  symbol,
  name,
  familySentence,
  tier,
  lowestPercent,
})

it('a class’s folder is read whole', () => {
  const { record, problems } = readClassFolder(folderOf(files))
  expect(problems).toEqual([])
  expect(record).toEqual({
    school: { ...school, checks: usualCheckSettings },
    classRoom: { id: '5 Willow', ...classRoom },
    term: { id: 'Spring term', ...term, ...days },
    teachers: { sums: 'Tom Rush', art: '' },
    layout: { key: 'l', title: 'Report', paper: 'A4', marks: 'level', parts: ['subjects'] },
    scales: [
      {
        key: 'm',
        name: 'Marks',
        kind: 'mark',
        levels: [level('A', 'Good', 'Went well.', 'top', 50.5), level('B', 'Fair', 'Went on.', 'growing', 0)],
      },
      {
        key: 's',
        name: 'Levels',
        kind: 'skill',
        levels: [level('2', 'Sure', 'Sure of it.', 'top', null), level('1', 'New', 'New to it.', 'starting', null)],
      },
    ],
    subjects: [
      { key: 'sums', name: 'Sums', inSentence: 'Sums', markScale: 'm', skillScale: 's' },
      { key: 'art', name: 'Art and craft', inSentence: 'art', markScale: 'm', skillScale: 's' },
    ],
    skills: [
      {
        id: 'n1',
        subject: 'sums',
        strand: 'Number',
        statement: 'Adds',
        familyWords: 'Adds numbers',
        inSentence: 'adding numbers',
        teacherOnly: false,
      },
      {
        id: 'n2',
        subject: 'sums',
        strand: 'Number',
        statement: 'Screens',
        familyWords: 'Screens',
        inSentence: '',
        teacherOnly: true,
      },
    ],
    habits: [{ key: 'care', name: 'Taking care', familyWords: 'Takes care', scale: 's' }],
    students: [
      {
        id: '7',
        schoolNumber: '7',
        legalGiven: 'Amaya',
        usedName: 'Maya',
        family: 'Reed',
        pronouns: she,
        gradeLevel: '5',
      },
      {
        id: '8',
        schoolNumber: '8',
        legalGiven: 'Sam',
        usedName: 'Sam',
        family: 'Stone',
        pronouns: they,
        gradeLevel: '5',
      },
    ],
    categories: [
      { subject: 'sums', key: 'Quizzes', name: 'Quizzes', weight: 60 },
      { subject: 'sums', key: 'Work', name: 'Work', weight: 40 },
    ],
    attendance: [{ studentId: '7', daysOpen: 40, absences: 2, lates: 1 }],
    observations: [],
    comments: [],
    accepted: [],
    namesInYear: [],
    marks: [
      { studentId: '7', subject: 'sums', percent: 71.5, special: null, reason: 'She did more' },
      { studentId: '8', subject: 'sums', percent: null, special: 'incomplete', reason: null },
    ],
    levels: [
      { studentId: '7', about: 'n1', symbol: '2' },
      { studentId: '8', about: 'n1', symbol: 'NA' },
    ],
    habitScores: [{ studentId: '7', about: 'care', symbol: '1' }],
    earlier: [
      {
        term: { id: 'Autumn term', ...before },
        comments: [],
        marks: [{ studentId: '7', subject: 'sums', percent: 60, special: null, reason: null }],
        levels: [{ studentId: '7', about: 'n1', symbol: '1' }],
        habitScores: [{ studentId: '8', about: 'care', symbol: '2' }],
      },
    ],
    boxes: [
      {
        key: 'general',
        name: 'General',
        subject: null,
        limit: 300,
        tone: 'warm',
        plan: [{ part: 'habit', about: 'care', when: null, sharesSentence: false }],
      },
      {
        key: 'sums',
        name: 'Sums',
        subject: 'sums',
        limit: 200,
        tone: '',
        plan: [{ part: 'outcome', about: 'Number', when: null, sharesSentence: false }],
      },
    ],
    phrasebook: {
      phrases: [
        {
          id: 'p1',
          subject: 'sums',
          part: 'outcome',
          about: 'Number',
          tiers: ['top'],
          uneven: false,
          moves: [],
          text: '{Name} adds.',
          tone: '',
          grades: null,
          owner: null,
        },
      ],
      describing: { top: ['superb', 'fine'], sound: ['steady'], strong: [], growing: [], starting: [] },
    },
    work: [
      {
        id: 'sums/Quiz one',
        subject: 'sums',
        title: 'Quiz one',
        category: 'Quizzes',
        date: '2027-02-01',
        outOf: 10,
        weight: 1,
        counts: true,
      },
      {
        id: 'sums/Sheet',
        subject: 'sums',
        title: 'Sheet',
        category: 'Work',
        date: '2027-02-08',
        outOf: 20,
        weight: 1,
        counts: true,
      },
    ],
    results: [
      { workId: 'sums/Quiz one', studentId: '7', state: 'scored', score: 8, remark: '' },
      { workId: 'sums/Quiz one', studentId: '8', state: 'scored', score: 6, remark: '' },
      { workId: 'sums/Sheet', studentId: '7', state: 'scored', score: 15, remark: '' },
      { workId: 'sums/Sheet', studentId: '8', state: 'missing', score: null, remark: '' },
    ],
  })
})

it('what may be absent may be absent: nothing settled, no term before, no attendance, no gradebook', () => {
  const few = without(
    ...Object.keys(files).filter((name) => /attendance|marks|levels|scores|describing|gradebook/.test(name)),
  )
  const head = JSON.stringify({
    school: { ...school, checks: usualCheckSettings },
    classRoom,
    term: { ...term, ...days },
  })
  const { record, problems } = readClassFolder(folderOf({ ...few, 'class.json': head, 'notes.txt': 'Not ours.' }))
  expect(problems).toEqual([])
  expect(record).toMatchObject({ earlier: [], marks: [], levels: [], habitScores: [], attendance: [], work: [] })
})

describe('what is wrong is told with its place, all of it at once, and nothing is read', () => {
  const spoilt = (file: string, from: string, to: string) => ({
    ...files,
    [file]: files[file]?.replace(from, to) ?? to,
  })
  it.each<[string, Record<string, string>, string[]]>([
    [
      'a missing file',
      without('skills.csv', 'layout.json', 'levels.csv', 'levels-before.csv'),
      [
        'layout.json: The file is missing.',
        'skills.csv: The file is missing.',
        'boxes.csv, row 3, column plan: There is no strand “Number” in this subject.',
      ],
    ],
    ['no JSON', spoilt('layout.json', '{', ''), [expect.stringMatching(/^layout\.json: This is no JSON: /) as string]],
    [
      'a missing field',
      spoilt('class.json', '"place":"Willow",', ''),
      ['class.json, column school.place: Invalid input: expected string, received undefined'],
    ],
    [
      'an unknown kind and tier',
      spoilt('scales.csv', 'm,mark,Marks,A,Good,Went well.,top', 'm,marks,Marks,A,Good,Went well.,best'),
      [
        'scales.csv, row 2, column kind: “marks” is none of: mark, skill, habit.',
        'scales.csv, row 2, column tier: “best” is none of: starting, growing, sound, strong, top.',
      ],
    ],
    [
      'a cut-off below 0',
      spoilt('scales.csv', 'growing,0', 'growing,-1'),
      [
        'scales.csv, row 3, column lowest percent: “-1” is no number of 0 or more.',
        'scales.csv: Scale “m” is for marks, so each of its levels needs a lowest percentage.',
      ],
    ],
    [
      'a scale that is not there',
      spoilt('subjects.csv', 'Tom Rush,m,s', 'Tom Rush,m,t'),
      [
        'subjects.csv, row 2, column skill scale: “t” is none of: m, s.',
        'levels.csv, row 2, column level: “2” is no level of the scale.',
        'levels-before.csv, row 2, column level: “1” is no level of the scale.',
      ],
    ],
    [
      'a skill twice, of no subject',
      spoilt('skills.csv', 'n2,SUMS', 'n1,maths'),
      [
        'skills.csv, row 3, column subject: “maths” is none of: sums, art.',
        'skills.csv, row 3, column id: “n1” stands in row 2 already.',
      ],
    ],
    [
      'no pronouns, number or name',
      spoilt('students.csv', '8,Sam,,Stone,they', ',,,Stone,it'),
      [
        'students.csv, row 3, column pronouns: “it” is no set of pronouns. Write she/her, he/him, they/them, name only, or all five cases.',
        'students.csv, row 3, column number: A student needs a school number.',
        'students.csv, row 3, column given name: A student needs a name.',
        ...['marks.csv, row 3', 'levels.csv, row 3', 'habit-scores-before.csv, row 2'].map(
          (place) => `${place}, column number: No student has the number “8”.`,
        ),
        'gradebook-sums.csv, row 5: No student of this class is called “8 · Sam Stone”.',
      ],
    ],
    [
      'a habit on no scale',
      spoilt('habits.csv', 'care,s', 'care,x'),
      [
        'habits.csv, row 2, column scale: “x” is none of: m, s.',
        'habit-scores.csv, row 2, column score: “1” is no level of the scale.',
        'habit-scores-before.csv, row 2, column score: “2” is no level of the scale.',
      ],
    ],
    [
      'a level, a score and a subject that are none',
      {
        ...files,
        'levels.csv': 'number,skill,level\n7,n1,9\n7,n9,1',
        'habit-scores.csv': 'number,habit,score\n7,care,Z\n7,speed,1',
        'marks.csv': 'number,subject,mark\n7,maths,70\n7,sums,good',
      },
      [
        'marks.csv, row 2, column subject: “maths” is none of: sums, art.',
        'marks.csv, row 3, column mark: “good” is no number of 0 or more.',
        'levels.csv, row 2, column level: “9” is no level of “Levels”.',
        'levels.csv, row 3, column skill: “n9” is none of: n1, n2.',
        'levels.csv, row 3, column level: “1” is no level of the scale.',
        'habit-scores.csv, row 2, column score: “Z” is no level of “Levels”.',
        'habit-scores.csv, row 3, column habit: “speed” is none of: care.',
        'habit-scores.csv, row 3, column score: “1” is no level of the scale.',
      ],
    ],
    [
      'a box without room, of no subject, with no plan',
      {
        ...files,
        'boxes.csv':
          'key,name,subject,limit,plan\na,A,,0,habit care\nb,B,maths,10,opening\nc,C,sums,10,nonsense\na,A,,9,habit speed',
      },
      [
        'boxes.csv, row 2, column limit: A box needs room for at least one character.',
        'boxes.csv, row 3, column subject: “maths” is none of: sums, art.',
        expect.stringMatching(/^boxes\.csv, row 4, column plan: .*nonsense/) as string,
        'boxes.csv, row 5, column plan: There is no habit “speed”.',
        'boxes.csv, row 5, column key: “a” stands in row 2 already.',
      ],
    ],
    [
      'a category of no subject, without weight',
      spoilt('categories.csv', 'sums,Work,40', 'sums,Work,lots\nmaths,Work,3'),
      [
        'categories.csv, row 3, column weight: “lots” is no number of 0 or more.',
        'categories.csv, row 4, column subject: “maths” is none of: sums, art.',
      ],
    ],
    [
      'a describing word of no level',
      spoilt('describing-words.csv', 'sound,steady', 'solid,steady'),
      ['describing-words.csv, row 4, column level: “solid” is none of: starting, growing, sound, strong, top.'],
    ],
    [
      'a gradebook of no subject, and one of a category that is not there',
      {
        ...files,
        'gradebook-maths.tsv': files['gradebook-sums.csv'] ?? '',
        'gradebook-sums.csv': files['gradebook-sums.csv']?.replace('work', 'Extras') ?? '',
      },
      [
        'gradebook-maths.tsv: There is no subject “maths” in subjects.csv.',
        'gradebook-sums.csv: The category “Extras” is not in categories.csv.',
      ],
    ],
    [
      'a file without a heading',
      spoilt('attendance.csv', 'lates', 'late days'),
      [expect.stringMatching(/^attendance\.csv, row 1.*lates/) as string],
    ],
  ])('%s', (_name, texts, expected) => {
    const { record, problems } = readClassFolder(folderOf(texts))
    expect(record).toBeNull()
    expect(problems.map(problemText)).toEqual(expected)
  })
})

it('a doubtful student of a gradebook is told with those to choose from', () => {
  const students = `${files['students.csv']}\n9,Maya,,Reed,she,5`
  const gradebook = 'Name,Quiz one /10\nMaya Reed,8'
  const texts = { ...files, 'students.csv': students, 'gradebook-sums.csv': gradebook }
  expect(readClassFolder(folderOf(texts)).problems.map(problemText)[0]).toMatch(
    /^gradebook-sums\.csv, row 2: “Maya Reed” may be: Maya Reed.*, Maya Reed/,
  )
})

it('every proposal is taken that nothing was settled against', () => {
  const { record } = readClassFolder(folderOf({ ...files, 'marks.csv': 'number,subject,mark\n8,sums,99' }))
  if (!record) throw new Error('no record')
  // 8/10 at 60 and 15/20 at 40: 0.6 × 80 + 0.4 × 75 = 78.
  expect(withProposalsTaken(record).marks).toEqual([
    { studentId: '8', subject: 'sums', percent: 99, special: null, reason: null },
    { studentId: '7', subject: 'sums', percent: 78, special: null, reason: null },
  ])
})
