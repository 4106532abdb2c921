import { defineStore } from 'pinia'
import type { PhraseToWrite } from '~~/contracts/phrasebook'
import type { Phrase, PartKind } from '~~/core/narrative/phrase'
import { phrasesToldAs, type ToldAs } from '~~/core/record/phraseCoverage'
import { useClassRecord } from './classRecord'
import { useSaving } from './saving'
import { useSession } from './session'

/** A place in the phrasebook: a part of a subject, what it speaks of, and where that stands. */
export interface PhrasePlace {
  part: PartKind
  about: string
  as: ToldAs
}

/** The phrasebook as it is looked at and changed; every change goes to the server as one event and can be undone. */
export const usePhrasebook = defineStore('phrasebook', () => {
  const classRecord = useClassRecord()
  const saving = useSaving()
  const session = useSession()
  const place = shallowRef<PhrasePlace | null>(null)
  /** The phrase in the editor; null for none. */
  const phrase = shallowRef<Phrase | null>(null)

  const phrases = computed(() => classRecord.record?.phrasebook.phrases ?? [])
  const here = computed((): Phrase[] => {
    const { box, record } = classRecord
    const at = place.value
    if (!box || !at || !record) return []
    const ids = new Set(phrasesToldAs(record, box.subject, at, at.as).map((each) => each.id))
    return phrases.value.filter((each) => ids.has(each.id))
  })

  /** Whether the person may change this phrase: the coordinator the school's, everybody their own. */
  function mayChange(each: Pick<Phrase, 'owner'>): boolean {
    return each.owner === null ? classRecord.may.phrasebook : each.owner === session.person?.id
  }

  /** An empty phrase for the place in view. */
  function begin(): void {
    const box = classRecord.box
    if (!box || !place.value) return
    const { part, about, as } = place.value
    phrase.value = {
      id: `p-${crypto.randomUUID().slice(0, 13)}`,
      subject: box.subject ?? 'general',
      part,
      about,
      tiers: as === 'uneven' ? [] : [as],
      uneven: as === 'uneven',
      moves: [],
      text: '',
      claims: null,
      tone: '',
      grades: null,
      owner: classRecord.may.phrasebook ? null : (session.person?.id ?? null),
    }
  }

  /** Puts phrases in, changes and takes out; refused where one has been changed since it was shown here. */
  async function write(changed: readonly Phrase[], removed: readonly string[] = []): Promise<void> {
    const shown = new Map(phrases.value.map((each) => [each.id, each]))
    const was = (id: string): PhraseToWrite['was'] => {
      const phrase = shown.get(id)
      if (!phrase) return null
      const { id: _id, owner: _owner, ...rest } = phrase
      return rest
    }
    const body = {
      phrases: changed.map(({ owner, ...rest }): PhraseToWrite => ({
        ...rest,
        was: was(rest.id),
        owner: owner === null ? 'school' : 'mine',
      })),
      removed: removed.map((id) => ({ id, was: was(id) })),
    }
    await change('PUT', 'phrasebook/phrases', body)
  }

  /**
   * Asks the server for a change, remembers how to undo it, and shows things as they stand.
   * @param path within the year in view, or an address of its own
   */
  async function change(method: 'PUT' | 'POST', path: string, body: object): Promise<void> {
    const address = path.startsWith('/') ? path : `${classRecord.yearPath}/${path}`
    await saving.askFor(method, address, body)
    saving.savedAt = new Date()
    await classRecord.load()
  }

  return { place, phrase, phrases, here, mayChange, begin, write, change }
})
