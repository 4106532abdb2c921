import type { ClassTerm } from '../../core/record/classRecord'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import type { SettledTerm } from '../../core/record/termRecord'
import type { Grants } from './grants'

/** A term's record as far as somebody may see it. All that hangs on a subject goes with it, last term's too. */
export function cutRecord(record: ClassTerm, setup: SchoolSetup, grants: Grants): ClassTerm {
  const reads = readerOf(setup, grants.readsSubject)
  const work = record.work.filter((piece) => reads.subject(piece.subject))
  const workIds = new Set(work.map((piece) => piece.id))
  return {
    ...record,
    teachers: Object.fromEntries(Object.entries(record.teachers).filter(([subject]) => reads.subject(subject))),
    categories: record.categories.filter((category) => reads.subject(category.subject)),
    work,
    results: record.results.filter((result) => workIds.has(result.workId)),
    marks: record.marks.filter((mark) => reads.subject(mark.subject)),
    levels: record.levels.filter((level) => reads.skill(level.about)),
    comments: record.comments.filter((comment) => reads.box(comment.box)),
    accepted: record.accepted.filter((finding) => reads.box(finding.box)),
    observations: record.observations.filter((note) => grants.readsNotes || reads.skill(note.about)),
    earlier: record.earlier.map((each) => cutSettled(each, reads)),
  }
}

function cutSettled(before: SettledTerm, reads: Reader): SettledTerm {
  return {
    ...before,
    marks: before.marks.filter((mark) => reads.subject(mark.subject)),
    levels: before.levels.filter((level) => reads.skill(level.about)),
    comments: before.comments.filter((comment) => reads.box(comment.box)),
  }
}

interface Reader {
  subject: (key: string) => boolean
  skill: (id: string) => boolean
  box: (key: string) => boolean
}

/** What is told apart by a skill or a box belongs to that skill's or box's subject; unknown ones are nobody's. */
function readerOf(setup: SchoolSetup, readsSubject: (subject: string) => boolean): Reader {
  const subjectOfSkill = new Map(setup.skills.map((skill) => [skill.id, skill.subject]))
  const subjectOfBox = new Map(setup.boxes.map((box) => [box.key, box.subject]))
  const reads = (subject: string | null | undefined): boolean =>
    subject !== undefined && (subject === null || readsSubject(subject))
  return {
    subject: readsSubject,
    skill: (id) => reads(subjectOfSkill.get(id)),
    box: (key) => reads(subjectOfBox.get(key)),
  }
}
