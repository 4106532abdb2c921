import type { PackedLevels, PackedSettled, PackedTerm } from '../../core/record/packedTerm'
import type { SchoolSetup } from '../../core/school/schoolSetup'
import type { Grants } from './grants'

/**
 * A term's record as far as somebody may see it, as it came from the database. All that hangs on a subject goes with
 * it, last term's too.
 */
export function cutRecord(record: PackedTerm, setup: SchoolSetup, grants: Grants): PackedTerm {
  const reads = readerOf(setup, grants.readsSubject)
  const work = record.work.filter((piece) => reads.subject(piece.subject))
  const workIds = new Set(work.map((piece) => piece.id))
  return {
    ...record,
    ...cutSettled(record, reads),
    teachers: Object.fromEntries(Object.entries(record.teachers).filter(([subject]) => reads.subject(subject))),
    groups: record.groups?.filter((group) => reads.subject(group.subject)),
    categories: record.categories.filter((category) => reads.subject(category.subject)),
    work,
    results: record.results.filter(([workId]) => workIds.has(workId)),
    questions: record.questions.filter(({ workId }) => workIds.has(workId)),
    answers: record.answers.filter(([workId]) => workIds.has(workId)),
    accepted: record.accepted.filter((finding) => reads.box(finding.box)),
    observations: record.observations.filter(
      (note) =>
        grants.readsNotes ||
        note.own ||
        (note.kind === 'skill' && reads.skill(note.about)) ||
        (note.kind === 'work' && workIds.has(note.about)),
    ),
    earlier: record.earlier.map((each) => cutSettled(each, reads)),
  }
}

function cutSettled(settled: PackedSettled, reads: Reader): PackedSettled {
  return {
    ...settled,
    marks: settled.marks.filter((mark) => reads.subject(mark.subject)),
    levels: settled.levels.map((student) => cutLevels(student, reads)),
    comments: settled.comments.filter((comment) => reads.box(comment.box)),
  }
}

function cutLevels([studentId, symbols, proposed]: PackedLevels[number], reads: Reader): PackedLevels[number] {
  const cut = (of: PackedLevels[number][1]) =>
    Object.fromEntries(Object.entries(of).filter(([skill]) => reads.skill(skill)))
  return proposed ? [studentId, cut(symbols), cut(proposed)] : [studentId, cut(symbols)]
}

/** Who reads what hangs on a subject, a skill or a box. */
export interface Reader {
  subject: (key: string) => boolean
  skill: (id: string) => boolean
  box: (key: string) => boolean
}

/** What is told apart by a skill or a box belongs to that skill's or box's subject; unknown ones are nobody's. */
export function readerOf(setup: SchoolSetup, readsSubject: (subject: string) => boolean): Reader {
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
