import { askerOf } from '../../../../data/people'
import { today } from '../../../../data/today'
import { eventStream, knownUntil } from '../../../../http/eventStream'
import { sessionOf } from '../../../../http/session'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { viewerOf } from '../../../../services/live'
import { follow, requireFewStreams } from '../../../../services/liveHub'

/** What others change in a class, as it happens. */
export default staffRoute(async (context, event) => {
  const place = classAndTermOf(event)
  const session = await sessionOf(event)
  const viewer = await viewerOf(context, place)
  requireFewStreams(viewer.personId)
  return eventStream(event, ({ send, end }) =>
    follow(
      context.db,
      {
        viewer,
        tell: send,
        dismiss: end,
        lookAnew: async () => {
          const asker = session ? await askerOf(context.db, session.id, session.epoch) : undefined
          if (!asker) return undefined
          const now = { db: context.db, who: asker.who, years: asker.years, today: today() }
          return viewerOf(now, place).catch(() => undefined)
        },
      },
      knownUntil(event),
    ),
  )
})
