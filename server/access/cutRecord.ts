import type { PackedLevels, PackedSettled, PackedTerm } from '../../core/record/packedTerm'
import type { RecordReader } from './recordReader'

/**
 * A term's record as far as somebody may see it, as it came from the database: of the children whom they see, what they
 * see of a child; last term's too. Every part of a record is named here, so that a new one has to find its place.
 */
export function cutRecord(record: PackedTerm, reader: RecordReader): PackedTerm {
  const students = record.students.filter(({ gradeLevel }) => reader.seesChild(gradeLevel))
  const ids = new Set(students.map(({ id }) => id))
  const isSeen = (studentId: string): boolean => ids.has(studentId)
  const ofSeen = ({ studentId }: { studentId: string }): boolean => isSeen(studentId)
  const whenSeen = <T extends { studentId: string }>(rows: readonly T[], sees: boolean): T[] =>
    sees ? rows.filter(ofSeen) : []
  const work = record.work.filter((piece) => reader.sees('work', piece.subject))
  const workIds = new Set(work.map((piece) => piece.id))
  const cut: PackedTerm = {
    classRoom: record.classRoom,
    students: students.map(({ notTaking, ...student }) =>
      notTaking ? { ...student, notTaking: notTaking.filter((subject) => reader.sees('work', subject)) } : student,
    ),
    namesInYear: record.namesInYear,
    teachers: Object.fromEntries(Object.entries(record.teachers).filter(([subject]) => reader.sees('work', subject))),
    ...(record.groups && {
      groups: record.groups
        .filter((group) => reader.sees('work', group.subject))
        .map((group) => ({ ...group, students: group.students.filter(isSeen) })),
    }),
    categories: record.categories.filter((category) => reader.sees('work', category.subject)),
    work,
    results: record.results
      .filter(([workId]) => workIds.has(workId))
      .map(([workId, cells]) => [workId, cells.filter(([studentId]) => isSeen(studentId))]),
    questions: record.questions.filter(({ workId }) => workIds.has(workId)),
    answers: record.answers
      .filter(([workId]) => workIds.has(workId))
      .map(([workId, cells]) => [workId, cells.filter(([studentId]) => isSeen(studentId))]),
    ...cutSettled(record, reader, isSeen),
    attendance: whenSeen(record.attendance, reader.sees('attendance')),
    practice: whenSeen(record.practice, reader.sees('practice')),
    accepted: record.accepted.filter((finding) => ofSeen(finding) && reader.sees('comment', finding.box)),
    observations: record.observations.filter(
      (note) =>
        ofSeen(note) &&
        (note.own ||
          reader.sees('note') ||
          (note.kind === 'skill' && reader.sees('note', note.about)) ||
          (note.kind === 'work' && workIds.has(note.about))),
    ),
    earlier: record.earlier.map((each) => cutSettled(each, reader, isSeen)),
    unseen: [
      ...(['note', 'habit', 'attendance'] as const).filter((kind) => !reader.sees(kind)),
      ...(work.length < record.work.length ? (['result'] as const) : []),
    ],
  }
  return cut
}

function cutSettled(
  { term, marks, levels, habitScores, comments }: PackedSettled,
  reader: RecordReader,
  isSeen: (studentId: string) => boolean,
): PackedSettled {
  const ofSeen = (rows: PackedLevels): PackedLevels => rows.filter(([studentId]) => isSeen(studentId))
  return {
    term,
    marks: marks.filter((mark) => isSeen(mark.studentId) && reader.sees('mark', mark.subject)),
    levels: ofSeen(levels).map((student) => cutLevels(student, reader)),
    habitScores: reader.sees('habit') ? ofSeen(habitScores) : [],
    comments: comments.filter((comment) => isSeen(comment.studentId) && reader.sees('comment', comment.box)),
  }
}

function cutLevels([studentId, symbols, proposed]: PackedLevels[number], reader: RecordReader): PackedLevels[number] {
  const cut = (of: PackedLevels[number][1]) =>
    Object.fromEntries(Object.entries(of).filter(([skill]) => reader.sees('level', skill)))
  return proposed ? [studentId, cut(symbols), cut(proposed)] : [studentId, cut(symbols)]
}
