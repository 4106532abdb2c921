import { expect, vi } from 'vitest'
import type { RunAnswer } from '../../contracts/answers'
import type { Client } from './client'

/** A run as soon as it stands so, however long the press takes on a busy machine. @throws after a minute */
export function runWhen(ask: Client, id: string, states: readonly RunAnswer['state'][]): Promise<RunAnswer> {
  const look = async (): Promise<RunAnswer> => {
    const run = (await ask<RunAnswer>('GET', `/api/runs/${id}`)).body
    expect(states).toContain(run.state)
    return run
  }
  return vi.waitFor(look, { timeout: 60_000, interval: 100 })
}
