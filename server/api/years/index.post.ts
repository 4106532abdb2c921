import { yearToMake } from '../../../contracts/setUp'
import { bodyOf } from '../../http/body'
import { staffRoute } from '../../http/staffRoute'
import { makeYear } from '../../services/years'

export default staffRoute(async (context, event) => ({
  year: await makeYear(context, await bodyOf(event, yearToMake)),
}))
