import { defineStore } from 'pinia'
import {
  retainedKinds,
  type Contact,
  type RetainedKind,
  type RightsAnswer,
  type StudentPrivacy,
} from '~~/contracts/privacy'
import type { ContactListPlan, KnownContact } from '~~/core/exchange/lists/planContactList'
import { askServer } from '~/composables/useApi'
import { useSaving } from './saving'

/** What the coordinator looks after for families: contacts, a child's whole data, who may see and who has seen. */
export const usePrivacy = defineStore('privacy', () => {
  const saving = useSaving()
  const student = shallowRef<StudentPrivacy | null>(null)
  const rights = shallowRef<RightsAnswer | null>(null)

  async function load(id: string): Promise<void> {
    student.value = await askServer<StudentPrivacy>('GET', `/api/students/${id}/privacy`)
  }

  async function loadRights(): Promise<void> {
    rights.value = await askServer<RightsAnswer>('GET', '/api/rights')
  }

  async function change(path: string, body: object): Promise<void> {
    await saving.askFor('PUT', path, body)
  }

  /** Keeps a contact, or (null) takes it away. */
  async function writeContact(id: string, contact: Contact | null, was: Contact | null): Promise<void> {
    const of = student.value?.id ?? ''
    await change('/api/contacts', { contacts: [{ id, studentId: of, contact, was }] })
    await load(of)
  }

  function loadContacts(yearPath: string, classId: string): Promise<KnownContact[]> {
    return askServer<KnownContact[]>('GET', `${yearPath}/classes/${classId}/contacts`)
  }

  /** Takes a list of contacts in, as one change. */
  function takeContactsIn({ added, changed }: ContactListPlan): Promise<void> {
    return change('/api/contacts', {
      contacts: [...added.map((each) => ({ id: crypto.randomUUID(), ...each, was: null })), ...changed],
    })
  }

  /** Keeps one kind of thing for so many days. */
  async function keepFor(thing: RetainedKind, days: number): Promise<void> {
    const kept = rights.value?.kept
    if (!kept) return
    const was = Object.fromEntries(retainedKinds.map((each) => [each, kept[each].days]))
    await change('/api/retention', { days: { ...was, [thing]: days }, was })
    await loadRights()
  }

  async function erase(reason: string, schoolNumber: string): Promise<void> {
    await askServer('POST', `/api/students/${student.value?.id ?? ''}/erase`, { reason, schoolNumber })
    student.value = null
  }

  return { student, rights, load, loadRights, writeContact, loadContacts, takeContactsIn, keepFor, erase }
})
