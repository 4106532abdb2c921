import { questionsToKeep } from '../../../../../contracts/evidence'
import { bodyOf, largestEvidence } from '../../../../http/body'
import { classAndTermOf, staffRoute } from '../../../../http/staffRoute'
import { keepQuestions } from '../../../../services/questions'

export default staffRoute(async (context, event) => {
  const wanted = await bodyOf(event, questionsToKeep, largestEvidence)
  return { event: await keepQuestions(context, classAndTermOf(event), wanted) }
})
