import { defineStore } from 'pinia'
import type { InvitationAnswer, Lesson, PeopleAnswer, Staff, StaffMember } from '~~/contracts/people'
import { askServer } from '~/composables/useApi'
import { useSaving } from './saving'
import { useView } from './view'

/** The staff as the coordinator keeps them; every change goes to the server at once and can be undone. */
export const usePeople = defineStore('people', () => {
  const view = useView()
  const saving = useSaving()
  const answer = shallowRef<PeopleAnswer | null>(null)
  /** Links made on this page, by person: they are shown once, since only their hash is kept. */
  const links = shallowReactive(new Map<string, InvitationAnswer>())

  async function load(): Promise<void> {
    if (!view.desk) await view.loadDesk()
    answer.value = await askServer<PeopleAnswer>('GET', `/api/years/${view.schoolYear}/people`)
  }

  async function change(path: string, body: object): Promise<void> {
    await saving.askFor('PUT', path, body)
    await load()
  }

  /** @returns the new person's id */
  async function takeIn(person: Staff): Promise<string> {
    const id = crypto.randomUUID()
    await change('/api/people', { people: [{ id, person, was: null }] })
    return id
  }

  /** Takes several in, as one change. */
  function takeInAll(people: readonly Staff[]): Promise<void> {
    return change('/api/people', { people: people.map((person) => ({ id: crypto.randomUUID(), person, was: null })) })
  }

  function alter(member: StaffMember, part: Partial<Staff>): Promise<void> {
    const { signIn, given, family, role, grades, switchedOff } = member
    const was: Staff = { signIn, given, family, role, grades, switchedOff }
    return change('/api/people', { people: [{ id: member.id, person: { ...was, ...part }, was }] })
  }

  async function invite(id: string): Promise<void> {
    links.set(id, await askServer<InvitationAnswer>('POST', `/api/people/${id}/invitation`))
    await load()
  }

  function give(lesson: Lesson): Promise<void> {
    return change('/api/people/teaching', { id: crypto.randomUUID(), lesson, was: null })
  }

  /** Changes from when to when somebody teaches, or (null) takes the teaching away. */
  function giveOtherwise(
    personId: string,
    { id, ...rest }: StaffMember['teaching'][number],
    days: Pick<Lesson, 'from' | 'to'> | null,
  ): Promise<void> {
    const was: Lesson = { personId, ...rest }
    return change('/api/people/teaching', { id, lesson: days && { ...was, ...days }, was })
  }

  return { answer, links, load, takeIn, takeInAll, alter, invite, give, giveOtherwise }
})
