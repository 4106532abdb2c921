import { strToU8, zipSync } from 'fflate'
import { headingsOf, inManifest, type BundleFile } from '../../core/exchange/oneroster/tables'

/** Rows of a bundle's files, by heading. */
export type Files = Partial<Record<BundleFile, Record<string, string | number>[]>>
/** A bundle as it is sent, with its manifest. */
export const packed = (files: Files, more: Record<string, string> = {}): Uint8Array => {
  const cell = (written: string | number = ''): string =>
    /[",\n]/.test(String(written)) ? `"${String(written).replaceAll('"', '""')}"` : String(written)
  const csv = Object.entries(files).map(([file, rows]) => {
    const heads = headingsOf(file as BundleFile)
    return [
      `export/${file}.csv`,
      [heads, ...rows.map((row) => heads.map((heading) => cell(row[heading])))]
        .map((cells) => cells.join(','))
        .join('\r\n') + '\r\n',
    ]
  })
  const manifest = [
    'propertyName,value',
    'oneroster.version,1.2',
    ...inManifest.map((file) => `file.${file},${file in files ? 'bulk' : 'absent'}`),
  ].join('\n')
  const all: Record<string, string> = {
    'export/manifest.csv': manifest,
    ...(Object.fromEntries(csv) as Record<string, string>),
    ...more,
  }
  return zipSync(Object.fromEntries(Object.entries(all).map(([name, text]) => [name, strToU8(text)])))
}

/** A class of two that nobody has heard of, with two pieces of work. */
export function yearOfTwo(term: string, room: string): Files {
  return {
    academicSessions: [{ sourcedId: 't', title: term, type: 'term' }],
    courses: [{ sourcedId: 'c', title: 'Mathematics' }],
    classes: [
      { sourcedId: 'h', title: room, classType: 'homeroom', grades: '07' },
      { sourcedId: 'k', title: `${room}, Mathematics`, courseSourcedId: 'c', classType: 'scheduled' },
    ],
    users: [
      {
        sourcedId: 'u1',
        givenName: 'Orla',
        familyName: 'O"Neill, senior',
        identifier: `${room}1`,
        pronouns: 'she/her',
      },
      { sourcedId: 'u2', givenName: 'Dov', familyName: 'כהן', identifier: `${room}2` },
    ],
    enrollments: ['u1', 'u2'].flatMap((user) =>
      ['h', 'k'].map((id) => ({ sourcedId: `${id}${user}`, classSourcedId: id, userSourcedId: user, role: 'student' })),
    ),
    categories: [{ sourcedId: 'q', title: 'Quizzes', weight: 40 }],
    lineItems: [
      {
        sourcedId: 'w1',
        title: 'Tides',
        dueDate: '2026-11-03',
        classSourcedId: 'k',
        categorySourcedId: 'q',
        gradingPeriodSourcedId: 't',
        resultValueMax: 20,
      },
      {
        sourcedId: 'w2',
        title: 'Tides',
        dueDate: '2026-11-10',
        classSourcedId: 'k',
        categorySourcedId: 'q',
        gradingPeriodSourcedId: 't',
        resultValueMax: 10,
      },
    ],
    results: [
      {
        sourcedId: 'r1',
        lineItemSourcedId: 'w1',
        studentSourcedId: 'u1',
        scoreStatus: 'fully graded',
        score: '17.5',
        comment: 'Said "why?"',
      },
      { sourcedId: 'r2', lineItemSourcedId: 'w1', studentSourcedId: 'u2', scoreStatus: 'exempt' },
      {
        sourcedId: 'r3',
        lineItemSourcedId: 'w2',
        studentSourcedId: 'u2',
        scoreStatus: 'fully graded',
        score: 9,
        late: 'true',
      },
    ],
  }
}
