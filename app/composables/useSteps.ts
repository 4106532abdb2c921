import { useClassRecord } from '~/stores/classRecord'
import { useView } from '~/stores/view'

/**
 * The way to the student before or after, in the order of the class list; past its end to the next class, so that who
 * teaches in many works through them as one list.
 */
export function useSteps() {
  const classRecord = useClassRecord()
  const view = useView()
  const route = useRoute()

  function studentBeside(by: 1 | -1): string | undefined {
    // Who writes in a subject's box steps along those who take it, from wherever in the list.
    const students = classRecord.record?.students ?? []
    const wanted = route.path === '/write' ? classRecord.boxTakers : students
    const from = students.findIndex((each) => each.id === classRecord.student?.id)
    const beside = by === 1 ? students.slice(from + 1) : students.slice(0, Math.max(0, from)).reverse()
    return beside.find((each) => wanted.includes(each))?.id
  }

  /** The class before or after the one in view, in the order of the desk. */
  function roomBeside(by: 1 | -1): { id: string; name: string } | undefined {
    const rooms = view.desk?.classes ?? []
    const at = rooms.findIndex((each) => each.id === view.kept.classId)
    return at < 0 ? undefined : rooms[at + by]
  }

  async function step(by: 1 | -1): Promise<void> {
    const [student, room] = [studentBeside(by), roomBeside(by)]
    if (student) view.kept.studentId = student
    else if (room) {
      await goTo(room.id, null)
      const here = classRecord.record?.classRoom.id === room.id
      if (by === -1 && here) view.kept.studentId = classRecord.record?.students.at(-1)?.id ?? null
    }
  }

  /** Turns to a student, of this class or another; null for the first of it. */
  async function goTo(classId: string, studentId: string | null): Promise<void> {
    const elsewhere = classId !== view.kept.classId
    Object.assign(view.kept, { classId, studentId })
    if (elsewhere) await classRecord.load()
  }

  /** What a step leads to, in words. */
  function stepTitle(by: 1 | -1): string {
    const room = studentBeside(by) ? undefined : roomBeside(by)
    if (room) return by === 1 ? `On to ${room.name}` : `Back to ${room.name}`
    return by === 1 ? 'Next student' : 'Previous'
  }

  return { step, stepTitle, goTo }
}
