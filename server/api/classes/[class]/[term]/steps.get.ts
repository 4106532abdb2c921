import { getQuery } from 'h3'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { viewSteps } from '../../../../services/history'

/** `passed`: numbers of events with commas between, that could not be undone. */
export default staffRoute((context, event) => {
  const passed = String(getQuery(event).passed ?? '')
  return viewSteps(context, classAndTermOf(event), passed.split(',').map(Number))
})
