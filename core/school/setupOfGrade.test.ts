import { expect, it } from 'vitest'
import { exampleClass } from '../../tests/exampleClass'
import { setupOfGrade } from './setupOfGrade'

it('a class has the scales and the room of its lowest grade', () => {
  const early = { from: 1, to: 3 }
  const setup = exampleClass()
  const otherwise = {
    ...setup,
    subjects: setup.subjects.map((subject) => ({
      ...subject,
      markScaleByGrade: [{ grades: early, is: 'early marks' }],
      skillScaleByGrade: [{ grades: early, is: 'stars' }],
    })),
    boxes: setup.boxes.map((box) => ({ ...box, limitByGrade: [{ grades: early, is: 90 }] })),
  }
  const of = (grades: string[]) => {
    const { subjects, boxes } = setupOfGrade(otherwise, grades)
    return [subjects[0]?.markScale, subjects[0]?.skillScale, boxes[0]?.limit]
  }
  const [subject, box] = [setup.subjects[0], setup.boxes[0]]
  const usual = [subject?.markScale, subject?.skillScale, box?.limit]
  expect([of(['4', '3']), of(['4']), of([]), of(['K'])]).toEqual([['early marks', 'stars', 90], usual, usual, usual])
  expect(setupOfGrade(setup, ['2'])).toBe(setup)
})

it.each(['markScaleByGrade', 'skillScaleByGrade'] as const)('one rule of %s alone holds too', (which) => {
  const setup = exampleClass()
  const subjects = setup.subjects.map((each) => ({ ...each, [which]: [{ grades: { from: 2, to: 2 }, is: 'other' }] }))
  const [subject] = setupOfGrade({ ...setup, subjects }, ['2']).subjects
  expect([subject?.markScale, subject?.skillScale]).toEqual(
    which === 'markScaleByGrade' ? ['other', 'skills'] : ['marks', 'other'],
  )
})
