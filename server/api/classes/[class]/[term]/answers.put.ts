import { answersToWrite } from '../../../../../contracts/evidence'
import { bodyOf } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { writeAnswers } from '../../../../services/questions'

export default staffRoute(async (context, event) => {
  const { answers } = await bodyOf(event, answersToWrite)
  return { event: await writeAnswers(context, classAndTermOf(event), answers) }
})
