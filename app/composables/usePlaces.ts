import type { Phrase } from '~~/core/narrative/phrase'
import { stages } from '~~/core/terms/progress'
import { keyTable } from '~/keys/keyTable'
import { useClassRecord } from '~/stores/classRecord'
import { usePhrasebook } from '~/stores/phrasebook'
import { useSettings } from '~/stores/settings'
import { useView } from '~/stores/view'

/** Where one can go from anywhere, or what one can do. */
export interface Place {
  readonly key: string
  readonly name: string
  readonly kind: string
  readonly go: () => unknown
}

/** All that Go to leads to: what is in the class in view, and what the person may reach beside it. */
export function usePlaces() {
  const classRecord = useClassRecord()
  const settings = useSettings()
  const view = useView()
  const phrasebook = usePhrasebook()
  const { goTo } = useSteps()
  const { sheet } = useFrame()

  function places(): Place[] {
    return [...students(), ...classes(), ...ofStages(), ...boxes(), ...actions(), ...phrases()]
  }

  const students = (): Place[] =>
    (classRecord.record?.students ?? []).map((student) => ({
      key: `student ${student.id}`,
      name: settings.nameOf(student),
      kind: 'student',
      go: () => goTo(view.kept.classId ?? '', student.id),
    }))

  const classes = (): Place[] =>
    (view.desk?.classes ?? []).map(({ id, name }) => ({
      key: `class ${id}`,
      name,
      kind: 'class',
      go: () => goTo(id, null),
    }))

  const ofStages = (): Place[] =>
    stages.map((stage) => ({
      key: `stage ${stage}`,
      name: `${stage.charAt(0).toUpperCase()}${stage.slice(1)}`,
      kind: 'stage',
      go: () => navigateTo(`/${stage}`),
    }))

  const boxes = (): Place[] =>
    (classRecord.record?.boxes ?? []).map(({ key, name }) => ({
      key: `box ${key}`,
      name,
      kind: 'box to write',
      go: async () => {
        view.kept.box = key
        await navigateTo('/write')
      },
    }))

  const phrases = (): Place[] =>
    (classRecord.record?.phrasebook.phrases ?? []).map((phrase) => ({
      key: `phrase ${phrase.id}`,
      name: phrase.text,
      kind: 'phrase',
      go: () => toPhrase(phrase),
    }))

  /** To where it stands in the phrasebook, open. */
  async function toPhrase(phrase: Phrase): Promise<void> {
    const { subject, part, about, uneven, tiers } = phrase
    const box = classRecord.record?.boxes.find((each) => (each.subject ?? 'general') === subject)
    if (box) view.kept.box = box.key
    await navigateTo('/phrasebook')
    // Another box puts away what was looked at in the one before.
    await nextTick()
    phrasebook.place = { part, about, as: uneven ? 'uneven' : (tiers[0] ?? 'top') }
    phrasebook.phrase = phrase
  }

  const actions = (): Place[] => [
    { key: 'desk', name: 'Your desk', kind: 'page', go: () => navigateTo('/') },
    {
      key: 'about',
      name: 'All about the student in view',
      kind: keyTable.student.press,
      go: () => navigateTo('/student'),
    },
    { key: 'meeting', name: 'Meeting about the student in view', kind: 'page', go: () => navigateTo('/meeting') },
    { key: 'phrasebook', name: 'Phrasebook', kind: 'page', go: () => navigateTo('/phrasebook') },
    { key: 'settings', name: 'My settings', kind: 'page', go: () => navigateTo('/my-settings') },
    {
      key: 'note',
      name: 'Note about the student in view',
      kind: keyTable.note.press,
      go: () => (sheet.value = 'note'),
    },
    { key: 'keys', name: 'Keys of this stage', kind: keyTable.keys.press, go: () => (sheet.value = 'keys') },
  ]

  return { places }
}
