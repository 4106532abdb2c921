import { createHash } from 'node:crypto'
import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin'

// Which functions, classes and tables of the core the mutation tester changes: one of so many, drawn by where it stands
// and by the round, so that rounds 0 to N - 1 together are all: MUTATE_ONE_OF=4 MUTATE_ROUND=0 npm run mutate
const oneOf = Number(process.env.MUTATE_ONE_OF ?? 1)
const round = Number(process.env.MUTATE_ROUND ?? 0)

function isDrawn({ start, end }) {
  const place = createHash('sha256').update(`${start} ${end}`).digest().readUInt32BE()
  return place % oneOf === round
}

export const strykerPlugins = [
  declareValuePlugin(PluginKind.Ignore, 'not drawn', {
    shouldIgnore: (path) =>
      path.isStatement() && path.parentPath?.isProgram() && !isDrawn(path.node) ? 'not drawn in this round' : undefined,
  }),
]
