import type { RecordIndex } from '../record/recordIndex'
import { takes } from '../record/takers'

/** How many of something are there, out of how many should be. */
export interface Done {
  readonly done: number
  readonly of: number
}

export interface StudentProgress {
  readonly gather: Done
  readonly settle: Done
  readonly write: Done
  readonly read: Done
  readonly send: Done
}

export const stages = ['gather', 'settle', 'write', 'read', 'send'] as const
export type Stage = (typeof stages)[number]

/**
 * How far one student is in each stage, for the subjects and boxes in view, as far as the student takes them.
 * Gather: results of the subjects' work. Settle: marks, levels, habits. Write: comments begun. Read: comments
 * finished. Send: whether a report was made; those of a group's children are made in their home classes.
 * @param subjects keys of the subjects that are looked at
 */
export function studentProgress(
  index: RecordIndex,
  studentId: string,
  subjects: readonly string[],
  reportMade: boolean,
): StudentProgress {
  const { record } = index
  const taken = subjects.filter((subject) => takes(index.student(studentId) ?? {}, subject))
  const inView = new Set(taken)
  const results = taken.reduce((sum, subject) => sum + index.resultsOf(studentId, subject).length, 0)
  const work = taken.reduce((sum, subject) => sum + index.workOf(subject).length, 0)
  const marks = taken.filter((subject) => index.markOf(studentId, subject) !== undefined).length
  const skills = record.skills.filter((skill) => inView.has(skill.subject))
  const rated = skills.filter((skill) => index.levelOf(studentId, 'skill', skill.id) !== undefined).length
  const habits = record.habits.filter((habit) => index.levelOf(studentId, 'habit', habit.key) !== undefined).length
  const boxes = record.boxes.filter((box) => box.subject === null || inView.has(box.subject))
  const comments = boxes
    .map((box) => index.commentOf(studentId, box.key))
    .filter((comment) => comment !== undefined && comment.text !== '')
  return {
    gather: { done: Math.min(results, work), of: work },
    settle: { done: marks + rated + habits, of: taken.length + skills.length + record.habits.length },
    write: { done: comments.length, of: boxes.length },
    read: { done: comments.filter((comment) => comment?.status === 'finished').length, of: boxes.length },
    send: record.classRoom.group ? { done: 0, of: 0 } : { done: reportMade ? 1 : 0, of: 1 },
  }
}

/**
 * The progress of many as one.
 * @example sumProgress([one, other]).write // { done: 3, of: 4 } of { done: 1, of: 2 } and { done: 2, of: 2 }
 */
export function sumProgress(each: readonly StudentProgress[]): StudentProgress {
  const sum = (stage: Stage): Done =>
    each.reduce((total, one) => ({ done: total.done + one[stage].done, of: total.of + one[stage].of }), {
      done: 0,
      of: 0,
    })
  return { gather: sum('gather'), settle: sum('settle'), write: sum('write'), read: sum('read'), send: sum('send') }
}

/**
 * Where to go on with a class: what comes in before what is settled while nothing of either is there, then the first
 * stage with something left. Late results alone hold nothing up: a class is never all in.
 * @example nextStage({ gather: { done: 0, of: 0 }, settle: { done: 0, of: 9 }, … }) // 'gather'
 */
export function nextStage(counts: StudentProgress): Stage {
  if (counts.gather.done === 0 && counts.settle.done === 0) return 'gather'
  return stages.find((stage) => stage !== 'gather' && counts[stage].done < counts[stage].of) ?? 'send'
}
