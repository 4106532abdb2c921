import { median } from '../core/marks/middle'
import { draftAll, grown } from './benchClass'

// One line: every comment of the demo class, copied up to so many students, several times in one process.
const record = grown(Number(process.argv[2]))
const rounds = record.students.length > 100 ? 4 : 12
const times = Array.from({ length: rounds }, () => {
  const begun = performance.now()
  draftAll(record)
  return performance.now() - begun
})
const [first = 0, ...others] = times
const usual = median(others) ?? 0
const count = record.students.length * record.boxes.length
console.log(
  [
    `${count} in ${usual.toFixed(0)} ms (the middle of ${others.length} times, ${Math.min(...others).toFixed(0)} to`,
    `${Math.max(...others).toFixed(0)}; the first time, before it was compiled, ${first.toFixed(0)}),`,
    `${Math.round((count / usual) * 1000)} a second; ${Math.round(process.resourceUsage().maxRSS / 1024)} MB at most`,
  ].join(' '),
)
