import { expect, it } from 'vitest'
import { pastedStudents } from './pastedStudents'

// Lists as they are pasted; written by hand before the code.
const read = (text: string) =>
  pastedStudents(text, { grade: '5', next: 901 }).map((each) =>
    [each.schoolNumber, each.legalGiven, each.usedName, each.family, each.pronouns, each.gradeLevel].join('|'),
  )

it.each([
  [
    'Maya Reed\nZoë van der Meulen',
    ['901|Maya|Maya|Reed|name only|5', '902|Zoë van der|Zoë van der|Meulen|name only|5'],
  ],
  ['Reed, Maya\nO’Rourke, Caoimhe\n', ['901|Maya|Maya|Reed|name only|5', '902|Caoimhe|Caoimhe|O’Rourke|name only|5']],
  ['05101\tMaya\tReed\tshe/her\n05102\tKit\tBae\tthey', ['05101|Maya|Maya|Reed|she/her|5', '05102|Kit|Kit|Bae|they|5']],
  ['Maya\tReed\r\nPriya\t', ['901|Maya|Maya|Reed|name only|5', '902|Priya|Priya||name only|5']],
  ['Nachname;Vorname;Nummer\nReed;Maya;7', ['7|Maya|Maya|Reed|name only|5']],
  [
    'Number,Given name,Known as,Family name,Pronouns,Grade\n1,Katherine,Kit,Bae,they/them,6',
    ['1|Katherine|Kit|Bae|they/them|6'],
  ],
  ['Name,Pronouns\n"Reed, Maya",she/her', ['901|Maya|Maya|Reed|she/her|5']],
  ['Maya,she/her\nOmar,he/him', ['901|Maya|Maya||she/her|5', '902|Omar|Omar||he/him|5']],
  ['Maya\tReed\t4\nOmar\tHaddad\t5', ['901|Maya|Maya|Reed|name only|4', '902|Omar|Omar|Haddad|name only|5']],
  ['Umi', ['901|Umi|Umi||name only|5']],
  // As people type a list: all of a child on one line, with spaces.
  [
    'Ivo Marsh he/him\nLumi Saarinen she/her\nBo O’Hara',
    ['901|Ivo|Ivo|Marsh|he/him|5', '902|Lumi|Lumi|Saarinen|she/her|5', '903|Bo|Bo|O’Hara|name only|5'],
  ],
  ['Reed, Maya (she/her)\nBae, Kit (they/them)', ['901|Maya|Maya|Reed|she/her|5', '902|Kit|Kit|Bae|they/them|5']],
  ['401 Maya Reed\n402 Kit Bae they/them', ['401|Maya|Maya|Reed|name only|5', '402|Kit|Kit|Bae|they/them|5']],
  ['1. Maya Reed\n2. Kit Bae', ['901|Maya|Maya|Reed|name only|5', '902|Kit|Kit|Bae|name only|5']],
  ['Maya Reed\nKit Bae ill/away', ['901|Maya|Maya|Reed|name only|5', '902|Kit Bae|Kit Bae|ill/away|name only|5']],
])('%s', (text, students) => {
  expect(read(text)).toEqual(students)
})

it('says so where there is nothing', () => {
  expect(() => read('  \n ')).toThrow('There is nothing here yet')
})
