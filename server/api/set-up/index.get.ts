import { database } from '../../data/database'
import { anyRoute } from '../../http/staffRoute'
import { viewSetUp } from '../../services/firstSetUp'

export default anyRoute(() => viewSetUp(database()))
