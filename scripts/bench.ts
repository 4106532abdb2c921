import { createWriteStream } from 'node:fs'
import { once } from 'node:events'
import { spawnSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import PDFDocument from 'pdfkit'
import { decodeText } from '../core/exchange/files/decodeText'
import { guessGradebook } from '../core/exchange/gradebook/guessGradebook'
import { planImport } from '../core/exchange/gradebook/planImport'
import { readTable } from '../core/exchange/files/readTable'
import { median } from '../core/marks/middle'
import { checkComment } from '../core/checks/checkComment'
import { draftComment } from '../core/narrative/draftComment'
import type { ClassRecord } from '../core/record/classRecord'
import type { Student } from '../core/record/roster'
import { draftRequest } from '../core/record/narrativeFacts'
import { indexRecord } from '../core/record/recordIndex'
import { composeReport } from '../core/reports/composeReport'
import { familyFacts } from '../core/reports/familyFacts'
import type { ReportDocument } from '../core/reports/document'
import { ownFaces } from '../press/pdf/faces'
import { setReports } from '../press/pdf/setReports'
import type { CleanComment } from '../tests/faults/faults'
import { draftAll, grown } from './benchClass'
import { benchMarks } from './benchMarks'
import { runBuilt } from './runBuilt'
import { cleanComments, commentsInOwnWords, measureChecks, type Written } from '../tests/faults/measureChecks'

// What the machine in hand does in one run (npm run bench, scripts/writeFigures.mjs). The demo class, copied up to each
// size. Each size has a process of its own, so that its peak memory is its own.
const size = Number(process.argv[2] ?? 0)
if (size === 0) {
  for (const each of [24, 30, 600])
    spawnSync(process.execPath, [...process.execArgv, fileURLToPath(import.meta.url), String(each)], {
      stdio: 'inherit',
    })
  benchMarks(grown(24))
  benchChecks()
  await benchPages()
} else {
  await bench(size)
}

/** Faults of each kind put into clean comments, and what the checks find; with what a check and a redraft cost. */
function benchChecks(): void {
  const record = grown(24)
  const { record: written, clean } = cleanComments(record)
  const index = indexRecord(written)
  const each = (work: (comment: CleanComment) => unknown): number =>
    median(clean.map((comment) => timed(() => work(comment))[0])) ?? 0
  clean.forEach(({ student, box }) => checkComment(index, student, box))
  console.log(
    `\none comment\n  checked by all checks: ${each(({ student, box }) => checkComment(index, student, box)).toFixed(2)} ms`,
  )
  console.log(
    `  drafted anew: ${each(({ student, box }) => draftComment({ ...draftRequest(index, student, box), standing: new Set() }, record.phrasebook)).toFixed(2)} ms`,
  )
  for (const [of, comments] of [
    ['composed comments of the demo class', cleanComments(record)],
    ['comments in own words', commentsInOwnWords(record)],
  ] as const)
    benchFaults(of, comments)
}

function benchFaults(of: string, comments: Written): void {
  console.log(`\nfaults put into ${of}, and found\n  kind                          put  found   clean flagged`)
  for (const { kind, put, found, clean: looked, flagged } of measureChecks(comments, 500)) {
    console.log(
      `  ${kind.padEnd(28)} ${String(put).padStart(4)}  ${((found / put) * 100).toFixed(1).padStart(5)} %  ${String(looked).padStart(4)} ${((flagged.length / looked) * 100).toFixed(1).padStart(4)} %`,
    )
  }
}

/** How long a teacher waits in the browser; only where a Facunda is running to be looked at. */
async function benchPages(): Promise<void> {
  const address = process.env.FACUNDA_URL ?? 'http://127.0.0.1:4173'
  const running = await fetch(`${address}/api/health`).then(
    (answer) => answer.ok,
    () => false,
  )
  console.log('\nin the browser, on the demo school')
  if (running)
    spawnSync(process.execPath, [fileURLToPath(new URL('./benchBrowser.mjs', import.meta.url))], {
      stdio: 'inherit',
      env: { ...process.env, FACUNDA_URL: address },
    })
  else console.log('  SKIPPED: no Facunda is running; start one with npm start and run the bench again.')
}

async function bench(students: number): Promise<void> {
  const record = grown(students)
  const peak = (): string => `, ${Math.round(process.resourceUsage().maxRSS / 1024)} MB at most so far`
  const lines = [
    `before    the program and the class are read${peak()}`,
    draftLine(students),
    importLine(students) + peak(),
    ...(await pdfLines(withComments(record), peak)),
  ]
  console.log(`\n${students} students\n${lines.map((line) => `  ${line}`).join('\n')}`)
}

/** In a process of its own, as the application is built. */
function draftLine(students: number): string {
  return `comments  ${runBuilt('scripts/benchDraft.ts', [String(students)])}`
}

function importLine(students: number): string {
  const rows = [
    'Number;Name;Work;Category;Out of;Date;Score',
    ...Array.from(
      { length: students * 10 },
      (_, at) =>
        `${at % students};Student ${at % students};Work ${Math.floor(at / students)};Quizzes;20;2026-11-02;${at % 20}`,
    ),
  ]
  const bytes = new TextEncoder().encode(rows.join('\r\n'))
  const known = Array.from({ length: students }, (_, at): Student => ({
    id: String(at),
    schoolNumber: String(at),
    legalGiven: 'Student',
    usedName: 'Student',
    family: String(at),
    pronouns: 'name only',
    gradeLevel: '',
  }))
  const [time, plan] = timed(() => {
    const table = readTable(decodeText(bytes))
    const mapping = guessGradebook(table, ['Quizzes'])
    return planImport(table, mapping, {
      students: known,
      work: [],
      results: [],
      categories: [{ key: 'Quizzes', name: 'Quizzes', weight: 1, isExam: false }],
    })
  })
  return `import    ${plan.results.length} rows in ${time.toFixed(0)} ms, ${Math.round((plan.results.length / time) * 1000)} a second`
}

async function pdfLines(record: ClassRecord, peak: () => string): Promise<string[]> {
  const index = indexRecord(record)
  function* reports(): Generator<ReportDocument> {
    for (const student of record.students) yield composeReport(familyFacts(index, student), record.layout, '2026-12-14')
  }
  const out = join(tmpdir(), `facunda-bench-${process.pid}`)
  // Each way three times in turn; the middle time of each counts.
  const ours: number[] = []
  const others: number[] = []
  let [pages, barePages, memory] = [0, 0, '']
  for (let round = 0; round < (record.students.length > 100 ? 1 : 3); round += 1) {
    const begun = performance.now()
    const counts = await setReports(reports(), createWriteStream(`${out}.pdf`), {
      title: 'Bench',
      language: 'en-GB',
      madeAt: new Date(),
    })
    ours.push(performance.now() - begun)
    pages = [...counts.values()].reduce((sum, each) => sum + each, 0)
    memory ||= peak()
    const bare = await barePdf(reports(), `${out}-bare.pdf`)
    others.push(bare.time)
    barePages = bare.pages
  }
  const [own, other] = [median(ours) ?? 0, median(others) ?? 0]
  return [
    `reports   ${record.students.length} in ${own.toFixed(0)} ms: ${pages} pages, ${(own / pages).toFixed(1)} ms a page${memory}`,
    `bare      the same text by plain pdfkit calls: ${barePages} pages in ${other.toFixed(0)} ms, ${(other / barePages).toFixed(1)} ms a page`,
    `ratio     ${(own / other).toFixed(2)} in all`,
  ]
}

/** The same text, tagged and in the same fonts, by the plainest calls there are: what setting costs at the least. */
async function barePdf(reports: Iterable<ReportDocument>, path: string): Promise<{ time: number; pages: number }> {
  const begun = performance.now()
  const doc = new PDFDocument({ autoFirstPage: false, tagged: true, margin: 54, size: 'A4' })
  const file = doc.pipe(createWriteStream(path))
  for (const face of Object.values(ownFaces)) doc.registerFont(face.name, face.file)
  let pages = 0
  doc.on('pageAdded', () => {
    pages += 1
  })
  for (const report of reports) {
    doc.addPage()
    for (const block of report.blocks) {
      const texts =
        block.kind === 'heading' || block.kind === 'paragraph'
          ? [block.text]
          : block.kind === 'facts'
            ? block.items.map((item) => `${item.label} ${item.value}`)
            : block.kind === 'table'
              ? block.rows.flatMap((row) => row.map((cell) => cell.text))
              : block.kind === 'lines'
                ? [block.label]
                : block.labels
      for (const text of texts) {
        const draw = (): void => {
          doc
            .font(block.kind === 'paragraph' ? 'text' : 'label')
            .fontSize(10)
            .text(text)
        }
        doc.addStructure(doc.struct('P', {}, [draw]))
      }
    }
  }
  const finished = once(file, 'finish')
  doc.end()
  await finished
  return { time: performance.now() - begun, pages }
}

function withComments(record: ClassRecord): ClassRecord {
  const drafts = draftAll(record)
  return {
    ...record,
    comments: record.boxes.flatMap((box, at) =>
      record.students.map((student, nth) => ({
        studentId: student.id,
        box: box.key,
        text: drafts[at]?.[nth]?.text ?? '',
        sentences: [],
        ownWords: false,
        status: 'in draft' as const,
        version: 1,
      })),
    ),
  }
}

function timed<T>(work: () => T): [number, T] {
  const begun = performance.now()
  const result = work()
  return [performance.now() - begun, result]
}
