import { once } from 'node:events'
import { createWriteStream } from 'node:fs'
import { Zip, ZipDeflate } from 'fflate'
import { headingsOf, inManifest, type BundleFile } from '../core/exchange/oneroster/tables'

/** How large a year is. */
export interface YearSize {
  readonly rooms: number
  readonly pupils: number
  /** Pieces of work of a class in a subject. */
  readonly works: number
}

type Cells = Readonly<Partial<Record<string, string | number>>>

/**
 * Writes a OneRoster bundle (1.2) of an invented year, as its rows are made, so that a million of them are never held.
 * @returns the rows of results.csv, as it has them
 */
export async function* rowsOfAYear(
  { rooms, pupils, works }: YearSize,
  {
    subjects,
    terms,
  }: { subjects: readonly string[]; terms: readonly { name: string; starts: string; ends: string }[] },
): AsyncGenerator<[BundleFile | 'manifest', string]> {
  const line = (file: BundleFile, cells: Cells): string =>
    `${headingsOf(file)
      .map((heading) => cells[heading] ?? '')
      .join(',')}\r\n`
  const files: BundleFile[] = ['orgs', 'academicSessions', 'courses', 'classes', 'users', 'roles', 'enrollments']
  const all: BundleFile[] = [...files, 'categories', 'lineItems', 'results']
  const manifest = inManifest.map((file) => `file.${file},${(all as string[]).includes(file) ? 'bulk' : 'absent'}`)
  yield [
    'manifest',
    ['propertyName,value', 'manifest.version,1.0', 'oneroster.version,1.2', ...manifest, ''].join('\r\n'),
  ]
  for (const file of all) yield [file, `${headingsOf(file).join(',')}\r\n`]
  yield ['orgs', line('orgs', { sourcedId: 'org', name: 'Larkhollow School', type: 'school' })]
  for (const [at, { name, starts, ends }] of terms.entries())
    yield [
      'academicSessions',
      line('academicSessions', { sourcedId: `term${at}`, title: name, type: 'term', startDate: starts, endDate: ends }),
    ]
  for (const [at, title] of subjects.entries()) yield ['courses', line('courses', { sourcedId: `course${at}`, title })]
  for (let room = 0; room < rooms; room += 1) {
    const title = `${1 + (room % 8)} ${names[Math.floor(room / 8)] ?? 'Oak'}`
    yield [
      'classes',
      line('classes', { sourcedId: `home${room}`, title, classType: 'homeroom', grades: 1 + (room % 8) }),
    ]
    for (let pupil = 0; pupil < pupils; pupil += 1) {
      const id = `u${room}-${pupil}`
      yield [
        'users',
        line('users', {
          sourcedId: id,
          enabledUser: 'true',
          givenName: `Given${pupil}`,
          familyName: `Family${room}`,
          identifier: `B${room}-${pupil}`,
          grades: 1 + (room % 8),
        }),
      ]
      yield [
        'roles',
        line('roles', {
          sourcedId: `r${id}`,
          userSourcedId: id,
          roleType: 'primary',
          role: 'student',
          orgSourcedId: 'org',
        }),
      ]
      yield [
        'enrollments',
        line('enrollments', {
          sourcedId: `e${id}`,
          classSourcedId: `home${room}`,
          schoolSourcedId: 'org',
          userSourcedId: id,
          role: 'student',
        }),
      ]
    }
    for (const [at, subject] of subjects.entries()) {
      const taught = `class${room}-${at}`
      yield [
        'classes',
        line('classes', {
          sourcedId: taught,
          title: `${title}: ${subject}`,
          courseSourcedId: `course${at}`,
          classType: 'scheduled',
        }),
      ]
      yield ['categories', line('categories', { sourcedId: `cat${taught}`, title: 'Quizzes', weight: 1 })]
      for (let work = 0; work < works; work += 1) {
        const [item, term] = [`${taught}-${work}`, work % terms.length]
        yield [
          'lineItems',
          line('lineItems', {
            sourcedId: item,
            title: `Quiz ${work + 1}`,
            assignDate: terms[term]?.starts ?? '',
            dueDate: terms[term]?.starts ?? '',
            classSourcedId: taught,
            categorySourcedId: `cat${taught}`,
            gradingPeriodSourcedId: `term${term}`,
            resultValueMin: 0,
            resultValueMax: 20,
            schoolSourcedId: 'org',
          }),
        ]
        for (let pupil = 0; pupil < pupils; pupil += 1) {
          const score = (work * 7 + pupil * 3 + room) % 21
          yield [
            'results',
            line('results', {
              sourcedId: `${item}-${pupil}`,
              lineItemSourcedId: item,
              studentSourcedId: `u${room}-${pupil}`,
              scoreStatus: 'fully graded',
              score,
              scoreDate: terms[term]?.starts ?? '',
              classSourcedId: taught,
              inProgress: 'false',
              incomplete: 'false',
              late: score % 9 === 0 ? 'true' : 'false',
              missing: 'false',
            }),
          ]
        }
      }
    }
  }
}

const names = ['Ash', 'Birch', 'Cedar', 'Elm', 'Hazel', 'Juniper']

/** Lays rows of files into a zip and, of results.csv, into a file beside it. @returns how many results there are */
export async function writeRows(
  rows: AsyncIterable<[BundleFile | 'manifest', string]>,
  { zip: zipPath, results: resultsPath }: { zip: string; results: string },
): Promise<number> {
  const [out, plain] = [createWriteStream(zipPath), createWriteStream(resultsPath)]
  const encoder = new TextEncoder()
  // A zip holds one file after the other: all but the results are small enough to wait for their turn.
  const small = new Map<string, string[]>()
  const zip = new Zip((error, bytes) => {
    if (error) throw error
    out.write(bytes)
  })
  const results = new ZipDeflate('results.csv', { level: 6 })
  zip.add(results)
  let count = -1
  let bunch: string[] = []
  const flush = async (): Promise<void> => {
    const bytes = encoder.encode(bunch.join(''))
    bunch = []
    results.push(bytes)
    if (!plain.write(bytes)) await once(plain, 'drain')
    if (out.writableNeedDrain) await once(out, 'drain')
  }
  for await (const [file, text] of rows) {
    if (file !== 'results') {
      const lines = small.get(file) ?? []
      small.set(file, lines)
      lines.push(text)
    } else {
      bunch.push(text)
      count += 1
      if (bunch.length >= 2000) await flush()
    }
  }
  await flush()
  results.push(new Uint8Array(), true)
  for (const [file, lines] of small) {
    const part = new ZipDeflate(`${file}.csv`, { level: 6 })
    zip.add(part)
    part.push(encoder.encode(lines.join('')), true)
  }
  zip.end()
  out.end()
  plain.end()
  await Promise.all([once(out, 'finish'), once(plain, 'finish')])
  return count
}
