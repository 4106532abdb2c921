import { database } from '../../data/database'
import { today } from '../../data/today'
import { anyRoute } from '../../http/staffRoute'
import { viewWelcome } from '../../services/people'

export default anyRoute((event) => viewWelcome(database(), getRouterParam(event, 'token') ?? '', today()))
