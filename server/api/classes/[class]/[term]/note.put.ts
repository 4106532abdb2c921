import { noteToWrite } from '../../../../../contracts/notes'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeNote } from '../../../../services/notes'

export default staffRoute(async (context, event) => {
  const wanted = await bodyOf(event, noteToWrite)
  return { event: await writeNote(context, classAndTermOf(event), wanted) }
})
