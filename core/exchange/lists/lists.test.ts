import { describe, expect, it } from 'vitest'
import type { ListedSkill } from './planSkillList'
import { planSkillList } from './planSkillList'
import { planStaffList } from './planStaffList'
import { readList } from './readList'
import { contactColumns, skillColumns, staffColumns } from './listColumns'
import { planContactList } from './planContactList'

// Lists as people have them; these were written by hand before the code.
describe('a list of skills', () => {
  const skill = (id: string, statement: string, more: Partial<ListedSkill> = {}): ListedSkill => ({
    id,
    subject: 'maths',
    strand: 'Number',
    statement,
    familyWords: statement,
    inSentence: '',
    does: '',
    grades: null,
    teacherOnly: false,
    position: 0,
    retired: false,
    ...more,
  })
  const school = {
    subjects: [
      { key: 'maths', name: 'Mathematics' },
      { key: 'art', name: 'Art' },
    ],
    skills: [skill('m1', 'Adds large numbers'), skill('m2', 'Counts back', { retired: true, position: 7 })],
  }
  const plan = (text: string) => planSkillList(readList(text, skillColumns), { ...school, chosen: 'maths' })
  const told = (text: string) => {
    const { added, changed, unchanged, refused, without } = plan(text)
    return {
      added: added.map((each) => [each.subject, each.strand, each.statement, each.familyWords].join('|')),
      changed: changed.map(({ row }) => [row.id, row.strand, row.familyWords].join('|')),
      unchanged,
      refused: refused.map(({ row, reason }) => `${row}: ${reason}`),
      without,
    }
  }
  const nothing = { added: [], changed: [], unchanged: 0, refused: [], without: [] }

  it.each([
    [
      'one on each line, commas and all',
      'Adds, subtracts and explains\nReads maps',
      {
        added: [
          'maths|Mathematics|Adds, subtracts and explains|Adds, subtracts and explains',
          'maths|Mathematics|Reads maps|Reads maps',
        ],
      },
    ],
    [
      'columns with headings in any order',
      'Skill\tSubject\tStrand\nDraws from life\tArt\tDrawing',
      { added: ['art|Drawing|Draws from life|Draws from life'] },
    ],
    [
      'by CSV, with words for families',
      'strand,statement,family words\nNumber,M.4.1 addition,Adds large numbers well',
      { added: ['maths|Number|M.4.1 addition|Adds large numbers well'] },
    ],
    ['one that is there as it stands', 'Adds large numbers', { unchanged: 1 }],
    [
      'one that is there and says more now',
      'statement;strand;family words\nadds large numbers;Calculation;Adds up',
      { changed: ['m1|Calculation|Adds up'] },
    ],
    ['a retired one is there', 'Counts back', { unchanged: 1 }],
    ['what a file does not say stays', 'statement\tteacher only\nAdds large numbers\tno', { unchanged: 1 }],
    [
      'a subject that the school lacks, once',
      'Subject\tSkill\nLatin\tDeclines nouns\nLatin\tReads Ovid\nArt\tCarves',
      { added: ['art|Art|Carves|Carves'], without: [{ subject: 'Latin', rows: 2 }] },
    ],
    [
      'the same twice in the list',
      'Reads maps\nreads  maps',
      { added: ['maths|Mathematics|Reads maps|Reads maps'], refused: ['2: “reads maps” stands in row 1 already.'] },
    ],
    [
      'grades that are none',
      'Skill\tGrades\nReads maps\tfour',
      { refused: ['2: “four” is no grade or range of grades: write 4 or 4-6.'] },
    ],
    [
      'neither yes nor no',
      'Skill\tTeacher only\nReads maps\tperhaps',
      { refused: ['2: “perhaps” is neither yes nor no.'] },
    ],
    ['a row without a skill', 'Skill\tStrand\n\tNumber', { refused: ['2: There is no skill in this row.'] }],
  ])('%s', (_, text, expected) => {
    expect(told(text)).toEqual({ ...nothing, ...expected })
  })

  it('gives each new one its place behind all others, and an id that nobody has', () => {
    const { added } = plan('Reads maps\nReads plans')
    expect(added.map(({ id, position }) => [id, position])).toEqual([
      ['maths-skill', 8],
      ['maths-skill-2', 9],
    ])
    expect(plan('Skill\tGrades\tTeacher only\nReads maps\t4-6\tyes').added).toMatchObject([
      { grades: { from: 4, to: 6 }, teacherOnly: true },
    ])
  })
  it('finds a strand by the name it has now, among those of its subject; words keep their forms while they stay', () => {
    const told = { ...school, chosen: 'maths' }
    const subjects = told.subjects.map((each) => ({ ...each, strandNames: { Number: `${each.key} numbers` } }))
    const skills = [...told.skills, skill('a1', 'Draws', { subject: 'art', strand: 'Line', does: '{draws}' })]
    const planned = (text: string) => planSkillList(readList(text, skillColumns), { subjects, skills, chosen: 'maths' })
    expect(planned('Skill\tStrand\nReads\tMATHS NUMBERS\nWrites\tline').added.map(({ strand }) => strand)).toEqual([
      'Number',
      'line',
    ])
    const does = (words: string) =>
      planned(`Subject\tSkill\tStrand\tWords for families\nArt\tDraws\tForm\t${words}`).changed.map(
        ({ row }) => row.does,
      )
    expect([does(''), does('Draws'), does('Draws well')]).toEqual([['{draws}'], ['{draws}'], ['']])
    const [fresh] = planSkillList(readList('Reads', skillColumns), { subjects, skills: [], chosen: 'maths' }).added
    expect([fresh?.position, fresh?.teacherOnly, fresh?.retired]).toEqual([0, false, false])
  })
  it('says which headings it does not know', () => {
    expect(readList('Skill\tColour\nReads maps\tblue', skillColumns).unknown).toEqual(['Colour'])
    expect(readList('Reads maps', skillColumns).unknown).toEqual([])
  })
})

describe('a list of staff', () => {
  const known = [
    { signIn: 'ada.moss', given: 'Ada', family: 'Moss' },
    { signIn: 'bea', given: 'Bea', family: 'Moss' },
  ]
  const told = (text: string) => {
    const { added, unchanged, refused } = planStaffList(readList(text, staffColumns), known)
    return {
      added: added.map(({ signIn, given, family, role, grades }) =>
        [signIn, given, family, role, grades ? `${grades.from}-${grades.to}` : ''].join('|'),
      ),
      unchanged,
      refused: refused.map(({ row, reason }) => `${row}: ${reason}`),
    }
  }
  const nothing = { added: [], unchanged: 0, refused: [] }
  it.each([
    [
      'names alone',
      'Kwame Boateng\nÓ Briain, Siân',
      { added: ['kwame.boateng|Kwame|Boateng|teacher|', 'sian.obriain|Siân|Ó Briain|teacher|'] },
    ],
    [
      'columns',
      'Given name,Family name,Signs in as,Role,Grades\nZoë,Reed,zr,coordinator,4-6',
      { added: ['zr|Zoë|Reed|coordinator|4-6'] },
    ],
    ['headings of neighbours', 'Nachname;Vorname\nMüller;Jörg', { added: ['jorg.muller|Jörg|Müller|teacher|'] }],
    ['somebody who is there', 'Ada Moss', { unchanged: 1 }],
    ['somebody who signs in by another name', 'Moss, Bea\nAda Moss', { unchanged: 2 }],
    [
      'a sign-in that is somebody else’s',
      'Name,Signs in as\n"Bea Salt",Ada.Moss',
      { refused: ['2: Ada Moss signs in as “ada.moss” already.'] },
    ],
    [
      'two who would sign in alike',
      'Kwame Boateng\nkwame boateng',
      {
        added: ['kwame.boateng|Kwame|Boateng|teacher|'],
        refused: ['2: “kwame.boateng” stands in row 1 already. Give one of them another name to sign in with.'],
      },
    ],
    [
      'a role that is none',
      'Name\tRole\nBea Salt\thead',
      { refused: ['2: “head” is neither teacher nor coordinator.'] },
    ],
    [
      'a teacher of grades',
      'Name\tRole\tGrades\nBea Salt\tteacher\t4',
      { refused: ['2: Only a coordinator coordinates grades.'] },
    ],
  ])('%s', (_, text, expected) => {
    expect(told(text)).toEqual({ ...nothing, ...expected })
  })
})

describe('a list of contacts', () => {
  const child = (id: string, schoolNumber: string, usedName: string, family: string) => ({
    id,
    schoolNumber,
    usedName,
    legalGiven: usedName,
    family,
  })
  const students = [
    child('1', '05101', 'Maya', 'Reed'),
    child('2', '05102', 'Kit', 'Bae'),
    child('3', '05103', 'Kit', 'Moss'),
  ]
  const aunt = {
    name: 'Ngozi O’Hara',
    relation: 'aunt',
    household: 2,
    email: '',
    language: '',
    told: true,
    position: 0,
  }
  const known = [{ id: 'c1', studentId: '1', ...aunt }]
  const told = (text: string) => {
    const { added, changed, unchanged, refused } = planContactList(readList(text, contactColumns), {
      students,
      contacts: known,
    })
    return {
      added: added.map(({ studentId, contact }) =>
        [
          studentId,
          contact.name,
          contact.relation,
          contact.household,
          contact.email,
          contact.language,
          contact.told,
          contact.position,
        ].join('|'),
      ),
      changed: changed.map(({ id, contact }) => [id, contact.relation, contact.household, contact.email].join('|')),
      unchanged,
      refused: refused.map(({ row, reason }) => `${row}: ${reason}`),
    }
  }
  const nothing = { added: [], changed: [], unchanged: 0, refused: [] }
  it.each([
    [
      'by number',
      'Number,Contact,Relation,Mail,Language,Household,Reports\n' +
        '05101,Ana Reed,mother,ana@example.org,pt-BR,1,yes\n05102,Jo Bae,,,,,no',
      { added: ['1|Ana Reed|mother|1|ana@example.org|pt-BR|true|1', '2|Jo Bae||1|||false|0'] },
    ],
    ['by name', 'Student;Contact\nMaya Reed;Ana Reed', { added: ['1|Ana Reed||1|||true|1'] }],
    [
      'two of one child',
      'Number\tContact\n05102\tJo Bae\n05102\tAl Bae',
      { added: ['2|Jo Bae||1|||true|0', '2|Al Bae||1|||true|1'] },
    ],
    ['one who is there', "Number\tContact\n05101\tNgozi O'Hara", { unchanged: 1 }],
    [
      'one who is there and has mail now',
      'Number\tContact\tMail\n05101\tNgozi O’Hara\tn@example.org',
      { changed: ['c1|aunt|2|n@example.org'] },
    ],
    [
      'a child who could be two',
      'Student\tContact\nKit\tSam',
      { refused: ['2: “Kit” could be Kit Bae or Kit Moss: write the number.'] },
    ],
    [
      'a child who is not here',
      'Number\tContact\n99\tSam',
      { refused: ['2: There is no child with “99” in this class.'] },
    ],
    [
      'what is no mail address',
      'Number\tContact\tMail\n05102\tSam\tsam',
      { refused: ['2: “sam” is no mail address.'] },
    ],
    [
      'a language nobody speaks',
      'Number\tContact\tLanguage\n05102\tSam\tzz',
      { refused: ['2: “zz” is no language tag, as in en, pt-BR, ar.'] },
    ],
    [
      'a household that is none',
      'Number\tContact\tHousehold\n05102\tSam\ttwo',
      { refused: ['2: “two” is no household: write 1 for the first, 2 for the second.'] },
    ],
    ['nobody', 'Number\tContact\n05102\t', { refused: ['2: There is no name of a contact in this row.'] }],
    [
      'the same twice',
      'Number\tContact\n05102\tSam\n05102\tsam',
      { added: ['2|Sam||1|||true|0'], refused: ['3: “sam” stands in row 2 already.'] },
    ],
  ])('%s', (_, text, expected) => {
    expect(told(text)).toEqual({ ...nothing, ...expected })
  })
})
