import { describe, expect, it } from 'vitest'
import { files, folderOf, without } from '../../../tests/exampleFolder'
import { problemText } from '../files/problem'
import { readClassFolder, withProposalsTaken } from './readClassFolder'

describe('what is wrong is told with its place, all of it at once, and nothing is read', () => {
  const spoilt = (file: string, from: string, to: string) => ({
    ...files,
    [file]: files[file]?.replace(from, to) ?? to,
  })
  it.each<[string, Record<string, string>, string[]]>([
    [
      'a missing file',
      without('skills.csv', 'layout.json', 'levels.csv', 'levels-before.csv', 'notes.csv'),
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
        'scales.csv: Scale “Marks” needs two levels at least.',
      ],
    ],
    [
      'a cut-off below 0',
      spoilt('scales.csv', 'growing,0', 'growing,-1'),
      [
        'scales.csv, row 3, column lowest percent: “-1” is no number of 0 or more.',
        'scales.csv: Scale “Marks” is for marks, so “B” needs the lowest percentage that reaches it.',
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
        'students.csv, row 3, column pronouns: “it” is no set of pronouns. ' +
          'Write she/her, he/him, they/them, name only, or all five cases.',
        'students.csv, row 3, column number: A student needs a school number.',
        'students.csv, row 3, column given name: A student needs a name.',
        ...['notes.csv, row 3', 'marks.csv, row 3', 'levels.csv, row 3', 'habit-scores-before.csv, row 2'].map(
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
          'key,name,subject,limit,plan\na,A,,0,habit care\nb,B,maths,10,opening\n' +
          'c,C,sums,10,nonsense\na,A,,9,habit speed',
      },
      [
        'boxes.csv, row 3, column subject: “maths” is none of: sums, art.',
        expect.stringMatching(/^boxes\.csv, row 4, column plan: .*nonsense/) as string,
        'boxes.csv, row 5, column plan: There is no habit “speed”.',
        'boxes.csv, row 2, column limit: A comment box needs room for 20 characters at least.',
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
      'a note about nothing that there is, on no day',
      spoilt('notes.csv', '7,2027-02-03,n1', '7,2027-02-31,n9'),
      [
        expect.stringMatching(/^notes\.csv, row 2.*about.*“n9”/) as string,
        expect.stringMatching(/^notes\.csv, row 2.*day/) as string,
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
