import type { SetupChange } from '~~/contracts/ownSetup'
import type { RowPlan } from '~~/core/exchange/lists/planRows'
import type { ReadList } from '~~/core/exchange/lists/readList'
import { useOwnSchool } from '~/stores/ownSchool'

interface SetupList<Row> {
  readonly list: Pick<ReadList, 'unknown'>
  readonly made: RowPlan<Row>
  readonly changeOf: (row: Row, was: Row | null) => SetupChange
  readonly lineOf: (row: Row) => string
  readonly notes?: readonly string[]
}

/** What a list would do to the set-up, as ListImport tells it; taken in as one change. */
export function useSetupList() {
  const school = useOwnSchool()
  return <Row>({ list, made, changeOf, lineOf, notes = [] }: SetupList<Row>) => ({
    added: made.added.length,
    changed: made.changed.length,
    unchanged: made.unchanged,
    refused: made.refused,
    unknown: list.unknown,
    notes,
    lines: [...made.added, ...made.changed.map(({ row }) => row)].map(lineOf),
    take: () =>
      school.writeSetup([
        ...made.added.map((row) => changeOf(row, null)),
        ...made.changed.map(({ row, was }) => changeOf(row, was)),
      ]),
  })
}
