import fc from 'fast-check'
import { expect, it } from 'vitest'
import { nextSteps, type Step } from './ownSteps'

it('goes back and forth as two stacks would, whatever is done, undone and done again', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('do', 'undo', 'again'), { maxLength: 40 }), (acts) => {
      const events: { -readonly [Key in keyof Step]: Step[Key] }[] = []
      const [past, future]: [number[], number[]] = [[], []]
      let state: number[] = []
      let deeds = 0
      // What each event does to the state: the number of a deed, put in or taken out.
      const effects = new Map<number, { deed: number; puts: boolean }>()
      const happen = (undoes: number | null, deed: number, puts: boolean): void => {
        const id = events.length + 1
        for (const event of events) if (event.id === undoes) event.undoneBy = id
        events.push({ id, kind: '', undoes, undoneBy: null })
        effects.set(id, { deed, puts })
        state = puts ? [...state, deed] : state.filter((each) => each !== deed)
      }
      for (const act of acts) {
        const { undo, again } = nextSteps(events.toReversed())
        expect([undo !== null, again !== null]).toEqual([past.length > 0, future.length > 0])
        if (act === 'do') {
          past.push(++deeds)
          future.length = 0
          happen(null, deeds, true)
        }
        const step = act === 'undo' ? undo : act === 'again' ? again : null
        const effect = step && effects.get(step.id)
        if (!step || !effect) continue
        const [from, to] = act === 'undo' ? [past, future] : [future, past]
        expect(effect.deed).toBe(from.at(-1))
        to.push(from.pop() ?? 0)
        happen(step.id, effect.deed, !effect.puts)
        expect(state.toSorted((a, b) => a - b)).toEqual(past.toSorted((a, b) => a - b))
      }
    }),
  )
})

it('goes past what somebody else has written over', () => {
  const steps = [3, 2, 1].map((id) => ({ id, kind: '', undoes: null, undoneBy: null }))
  expect(nextSteps(steps, new Set([3])).undo?.id).toBe(2)
})
