import { expect, it } from 'vitest'
import { pastedStudents } from './pastedStudents'
import { planRoster } from './planRoster'

// A class that is pasted again: the same children, with what is new of them. Written by hand before the code.
const child = (schoolNumber: string, legalGiven: string, family: string, more: object = {}) => ({
  ...{ id: `id ${schoolNumber}`, schoolNumber, legalGiven, usedName: legalGiven, family },
  ...{ pronouns: 'name only', gradeLevel: '5', ...more },
})
const here = [
  child('1001', 'Maya', 'Reed'),
  child('1002', 'Katherine', 'Bae', { usedName: 'Kit', pronouns: 'they/them' }),
  child('1003', 'Omar', 'Haddad'),
  child('1004', 'Omar', 'Lund'),
]
const plan = (text: string) => {
  const { added, changed, unchanged, refused } = planRoster(pastedStudents(text, { grade: '5', next: 2000 }), here)
  return {
    added: added.map(({ schoolNumber, usedName, family }) => `${schoolNumber} ${usedName} ${family}`),
    changed: changed.map(({ words }) => words),
    unchanged,
    refused: refused.map(({ row, reason }) => `${row}: ${reason}`),
  }
}

it.each([
  ['the same without numbers are the same', 'Maya Reed\nKit Bae\nOmar Haddad\nOmar Lund', { unchanged: 4 }],
  [
    'and with pronouns they are changed, field by field; who is called otherwise stays so',
    'Name\tPronouns\nReed, Maya\tshe/her\nBae, Katherine\tthey/them',
    { changed: ['Maya Reed: pronouns name only → she/her'], unchanged: 1 },
  ],
  [
    'by number a name could be another',
    'Number\tGiven name\tFamily name\tGrade\n1001\tMaya\tReed-Moss\t6',
    { changed: ['Maya Reed: family name Reed → Reed-Moss; grade 5 → 6'] },
  ],
  [
    'a number of the school takes the place of a given one',
    '7\tMaya\tReed',
    { changed: ['Maya Reed: number 1001 → 7'] },
  ],
  ['somebody new is new', 'Maya Reed\nLumi Saarinen', { added: ['2001 Lumi Saarinen'], unchanged: 1 }],
  [
    'of half a name, or a number with another name, is asked',
    'Number\tName\n\tOmar\n1001\tJules Reed',
    {
      refused: [
        '2: “Omar” could be Omar Haddad (1003) or Omar Lund (1004). Write the number and the whole name.',
        '3: “Jules Reed”, 1001, could be Maya Reed (1001). Write the number and the whole name.',
      ],
    },
  ],
  ['with the family name first they are the same', 'Reed\tMaya\nHaddad\tOmar', { unchanged: 2 }],
  [
    'who stands twice is told',
    'Maya Reed\nMaya Reed',
    { unchanged: 1, refused: ['2: Maya Reed stands in row 1 already.'] },
  ],
] as const)('%s', (_, text, expected) => {
  expect(plan(text)).toEqual({ added: [], changed: [], unchanged: 0, refused: [], ...expected })
})
