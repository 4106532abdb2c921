import { gradeOfClass, inGrade } from '../people/byGrade'
import type { SchoolSetup } from './schoolSetup'

/**
 * The set-up as it holds for a class: with the scales and the room for comments of its grade.
 * @param grades of the class's children; of several the lowest counts
 * @example setupOfGrade(setup, ['2']).boxes[0]?.limit // 200, where the box says 1-3: 200
 */
export function setupOfGrade<S extends Pick<SchoolSetup, 'subjects' | 'boxes'>>(
  setup: S,
  grades: readonly string[],
): S {
  const grade = gradeOfClass(grades)
  const isSame =
    grade === null ||
    (setup.boxes.every((box) => !box.limitByGrade?.length) &&
      setup.subjects.every((subject) => !subject.markScaleByGrade?.length && !subject.skillScaleByGrade?.length))
  if (isSame) return setup
  return {
    ...setup,
    subjects: setup.subjects.map((subject) => ({
      ...subject,
      markScale: inGrade(subject.markScaleByGrade, grade, subject.markScale),
      skillScale: inGrade(subject.skillScaleByGrade, grade, subject.skillScale),
    })),
    boxes: setup.boxes.map((box) => ({ ...box, limit: inGrade(box.limitByGrade, grade, box.limit) })),
  }
}
