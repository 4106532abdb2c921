import DataLoader from 'dataloader'
import type { Knex } from 'knex'

/**
 * Answers what many ask for at the same time in few goes: the first goes at once, and what is asked while a go is
 * under way waits for the next. A journey to the database costs about the same for thirty as for one.
 * @param most so many at most in one go
 * @param go answers all of them, in the order in which they were asked; an Error stands for what one of them is refused
 */
export function batched<Asked, Answer>(
  most: number,
  go: (db: Knex, asked: readonly Asked[]) => Promise<ArrayLike<Answer | Error>>,
): (db: Knex, asked: Asked) => Promise<Answer> {
  const loaders = new WeakMap<Knex, DataLoader<Asked, Answer>>()
  const loaderFor = (db: Knex): DataLoader<Asked, Answer> => {
    let underWay: Promise<unknown> = Promise.resolve()
    return new DataLoader(
      (asked) => {
        const answers = go(db, asked)
        underWay = answers.catch(() => undefined)
        return answers
      },
      { cache: false, maxBatchSize: most, batchScheduleFn: (start) => void underWay.then(start) },
    )
  }
  return (db, asked) => {
    const loader = loaders.get(db) ?? loaderFor(db)
    loaders.set(db, loader)
    return loader.load(asked)
  }
}
