import type { Block } from '../document'
import type { FamilyFacts } from '../familyFacts'

/** Days open, days absent, times late; nothing where nobody has counted. */
export function attendancePart({ attendance }: FamilyFacts): Block[] {
  if (!attendance) return []
  return [
    { kind: 'heading', level: 2, text: 'Attendance' },
    {
      kind: 'facts',
      items: [
        { label: 'Days the school was open', value: String(attendance.daysOpen) },
        { label: 'Days absent', value: String(attendance.absences) },
        { label: 'Times late', value: String(attendance.lates) },
      ],
    },
  ]
}
