import { database } from '../../data/database'
import { anyRoute, today } from '../../http/staffRoute'
import { viewWelcome } from '../../services/people'

export default anyRoute((event) => viewWelcome(database(), getRouterParam(event, 'token') ?? '', today()))
