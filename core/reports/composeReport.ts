import { assertNever } from '../assertNever'
import type { Block, ReportDocument } from './document'
import type { FamilyFacts } from './familyFacts'
import type { Layout, ReportPart } from '../school/layout'
import { longDate } from './longDate'
import { attendancePart } from './parts/attendance'
import { generalCommentPart } from './parts/generalComment'
import { habitsPart } from './parts/habits'
import { reflectionPart } from './parts/reflection'
import { scalePart } from './parts/scale'
import { signaturesPart } from './parts/signatures'
import { subjectsPart } from './parts/subjects'

/**
 * Composes one student's report from what the family may read and the layout.
 * @param madeOn ISO date that stands on the report
 */
export function composeReport(facts: FamilyFacts, layout: Layout, madeOn: string): ReportDocument {
  const head: Block[] = [
    { kind: 'paragraph', text: `${facts.school} · ${layout.title}`, voice: 'small' },
    { kind: 'heading', level: 1, text: facts.fullName },
    {
      kind: 'facts',
      items: [
        { label: 'Class', value: facts.className },
        { label: 'Class teacher', value: facts.classTeacher },
        { label: 'Term', value: facts.term },
      ],
    },
  ]
  return {
    version: 1,
    title: `${layout.title}: ${facts.fullName}, ${facts.term}`,
    language: 'en-GB',
    paper: layout.paper,
    studentId: facts.studentId,
    studentName: facts.fullName,
    foot: `${facts.school} · ${layout.title} · ${facts.fullName} · made ${longDate(madeOn)}`,
    blocks: [...head, ...layout.parts.flatMap((part) => composePart(part, facts, layout))],
  }
}

function composePart(part: ReportPart, facts: FamilyFacts, layout: Layout): Block[] {
  switch (part) {
    case 'general comment':
      return generalCommentPart(facts)
    case 'subjects':
      return subjectsPart(facts, layout)
    case 'habits':
      return habitsPart(facts)
    case 'attendance':
      return attendancePart(facts)
    case 'scale':
      return scalePart(facts, layout)
    case 'reflection':
      return reflectionPart(facts)
    case 'signatures':
      return signaturesPart(facts)
    default:
      return assertNever(part)
  }
}
