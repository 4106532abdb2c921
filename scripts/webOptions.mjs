import { execFileSync } from 'node:child_process'

/**
 * With what the web process is started besides its program. V8 puts things that it has seen to live long in the memory
 * that is seldom tidied; of a comment's wordings, of which thousands are made and forgotten in a moment, it believes so
 * by chance, and a process that drafts grows by half.
 */
const wanted = ['--no-allocation-site-pretenuring']

/** Those of them that this Node knows: it does not start with one that it does not. */
export function webOptions() {
  const known = execFileSync(process.execPath, ['--v8-options'], { encoding: 'utf8' })
  return wanted.filter((option) => known.includes(option.replace('--no-', '--')))
}
