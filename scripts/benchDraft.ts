import { median } from '../core/marks/middle'
import { draftAll, grown } from './benchClass'

// One line: every comment of the demo class, copied up to so many students, time after time in one process. The later
// half counts, as a server is warm; what the machine does in the same minute is told by a bare loop.
const record = grown(Number(process.argv[2]))
const times = Array.from({ length: record.students.length > 100 ? 6 : 40 }, () => timeOf(() => draftAll(record)))
const [first = 0] = times
const later = times.slice(times.length / 2)
const usual = median(later) ?? 0
const count = record.students.length * record.boxes.length
console.log(
  [
    `${count} in ${usual.toFixed(0)} ms (${Math.min(...later).toFixed(0)} to ${Math.max(...later).toFixed(0)}, the first`,
    `time ${first.toFixed(0)}), ${Math.round((count / usual) * 1000)} a second,`,
    `${Math.round(process.resourceUsage().maxRSS / 1024)} MB at most;`,
    `a hundred million steps of a bare loop in ${timeOf(bareLoop).toFixed(0)} ms`,
  ].join(' '),
)

function timeOf(work: () => unknown): number {
  const begun = performance.now()
  work()
  return performance.now() - begun
}

function bareLoop(): number {
  let sum = 0
  for (let step = 0; step < 100_000_000; step += 1) sum += step % 7
  return sum
}
