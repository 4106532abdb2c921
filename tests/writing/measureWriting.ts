import { readFileSync } from 'node:fs'
import { Dialect, LocalLinter } from 'harper.js'
import { binary } from 'harper.js/binary'
import type { Finding } from '../../core/checks/finding'
import { remarksOf } from '../../core/checks/remarksOf'
import { findingsWithLanguage, knownWords, readableComment } from '../../core/checks/withLanguage'
import { writeOutContractions } from '../../core/narrative/frame/contractions'
import { frameNotation, recogniseFrame } from '../../core/narrative/frame/recogniseFrame'
import { exactWords } from '../../core/school/checkSettings'
import { indexRecord } from '../../core/record/recordIndex'
import { sixAlder } from './sixAlder'

/** Which part of the material: the one that was looked at while the code was written, or the one kept to the end. */
export type Part = 'seen' | 'unread'

/** How a part did: how many lines were right, and the others with what came instead. */
export interface Measured {
  readonly of: number
  readonly right: number
  readonly wrong: readonly string[]
}

const linter = new LocalLinter({ binary, dialect: Dialect.British })
const record = sixAlder()

/** Slips that a finding touches. */
export function slipsFound(part: Part): Promise<Measured> {
  return measure(part, 'slips', async (line) => {
    const [, name = '', box = '', words = '', text = ''] = line.split('|')
    const places = [...text.matchAll(exactWords(words))].map(({ index }) => index)
    const found = await findingsIn(name, box, text)
    return found.some(
      ({ start, end }) => places.some((at) => start < at + words.length && end > at) && end - start < text.length,
    )
      ? null
      : `${line}\n    found: ${said(found, text)}`
  })
}

/** Clean comments that nothing is found in. */
export function cleanKept(part: Part): Promise<Measured> {
  return measure(part, 'clean', async (line) => {
    const [name = '', box = '', text = ''] = line.split('|')
    const found = await findingsIn(name, box, text)
    return found.length === 0 ? null : `${line}\n    found: ${said(found, text)}`
  })
}

/** Plain sentences whose varying words are recognised, all of them and no others. */
export function plainRecognised(part: Part): Promise<Measured> {
  return measure(part, 'plain', (line) => {
    const [text = '', wanted = ''] = line.split(' => ')
    const frame = recogniseFrame(writeOutContractions(text), {
      ...{ names: ['Nora', 'Emil', 'Wren'], pronounSets: [], describing: new Set<string>(), alwaysNamed: false },
    })
    const came = frameNotation(frame).replaceAll('’', "'")
    return Promise.resolve(came === wanted ? null : `${line}\n    came: ${came}`)
  })
}

async function measure(part: Part, file: string, judge: (line: string) => Promise<string | null>): Promise<Measured> {
  await linter.setup()
  const lines = readFileSync(new URL(`./${file}.${part}.txt`, import.meta.url), 'utf8')
    .split('\n')
    .filter((line) => line !== '')
  const wrong: string[] = []
  for (const line of lines) {
    const why = await judge(line)
    if (why !== null) wrong.push(why)
  }
  return { of: lines.length, right: lines.length - wrong.length, wrong }
}

/** What the application shows of a comment, but for what the record holds and the comment does not say. */
async function findingsIn(name: string, boxKey: string, text: string): Promise<Finding[]> {
  const student = record.students.find((each) => each.usedName.replace('’', "'") === name)
  const box = record.boxes.find((each) => each.key === boxKey)
  if (!student || !box) throw new Error(`There is no ${name} or no ${boxKey}.`)
  const comment = { ...{ studentId: student.id, box: box.key, text, sentences: [], ownWords: true, version: 1 } }
  const index = indexRecord({ ...record, comments: [{ ...comment, status: 'in draft' }] })
  const readable = readableComment(text, student, record).text
  const read = { text, remarks: remarksOf(await linter.organizedLints(readable, { language: 'plaintext' }), readable) }
  return findingsWithLanguage(index, student, box, { read, known: knownWords(record) })
}

function said(found: readonly Finding[], text: string): string {
  return (
    found.map(({ check, why, start, end }) => `${check} [${text.slice(start, end)}] ${why}`).join(' / ') || 'nothing'
  )
}
