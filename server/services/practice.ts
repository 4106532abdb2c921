import type { PracticeToKeep } from '../../contracts/evidence'
import { allow, type Need } from '../access/grants'
import type { Change } from '../data/changes/changeableTables'
import type { Opened, Place } from './context'

/** What was practised, as changes; it belongs to the class as attendance does. @throws Refusal */
export function practiceChanges(
  { grants }: Pick<Opened, 'grants'>,
  { termId }: Place,
  practice: readonly PracticeToKeep[],
): { changes: Change[]; needs: Need[] } {
  if (practice.length === 0) return { changes: [], needs: [] }
  allow(grants.changes('general'), 'keep what was practised in this class')
  const changes = practice.map(({ studentId, program, kind, name, practised, was }): Change => ({
    table: 'practice',
    key: { student_id: studentId, term_id: termId, program, kind, name },
    seen: was,
    after: practised,
  }))
  return { changes, needs: ['general'] }
}
