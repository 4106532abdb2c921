import type { SchoolSetup } from '../../core/school/schoolSetup'
import type { Grants, RecordKind } from './grants'

/** Who reads what of a record, asked by what a value is about. */
export interface RecordReader {
  readonly seesChild: Grants['seesChild']
  /**
   * @param about of a mark or of work its subject, of a level its skill, of a comment its box, of a note what it is
   * about; of habits, attendance and practice nothing
   */
  readonly sees: (kind: RecordKind, about?: string | null) => boolean
}

/** What is told apart by a skill or a box belongs to that skill's or box's subject; unknown ones are nobody's. */
export function recordReader(setup: Pick<SchoolSetup, 'skills' | 'boxes'>, grants: Grants): RecordReader {
  const ofSkill = new Map<string, string | null>(setup.skills.map((skill) => [skill.id, skill.subject]))
  const ofBox = new Map(setup.boxes.map((box) => [box.key, box.subject]))
  const subjectOf: Readonly<Record<RecordKind, (about: string | null) => string | null | undefined>> = {
    mark: (subject) => subject ?? undefined,
    work: (subject) => subject ?? undefined,
    level: (skill) => ofSkill.get(skill ?? ''),
    comment: (box) => ofBox.get(box ?? ''),
    note: (skill) => (skill === null ? null : ofSkill.get(skill)),
    habit: () => null,
    attendance: () => null,
    practice: () => null,
  }
  return {
    seesChild: grants.seesChild,
    sees: (kind, about = null) => {
      const subject = subjectOf[kind](about)
      return subject !== undefined && grants.sees(kind, subject)
    },
  }
}
