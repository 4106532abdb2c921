import type { Phrase } from '../../narrative/phrase'
import type { CommentBox, PlannedPart } from '../../narrative/plan'
import { nameKey } from '../../people/names'
import { keyFor } from '../../school/keyFor'
import type { Habit, SchoolSetup, Skill, Subject } from '../../school/schoolSetup'
import { nameOfStrand, strandCalled } from '../../school/strand'
import type { Scale } from '../../scales/scale'

/** The parts of a set-up that another's can bring something to. */
export type MergeableSetup = Pick<SchoolSetup, 'scales' | 'subjects' | 'skills' | 'habits' | 'boxes'> & {
  readonly phrases: readonly Phrase[]
}

/** What a set-up would bring to another: nothing that is there is changed. */
export interface SetupMerge extends MergeableSetup {
  /** What is there already, and stays as it is there. */
  readonly same: number
  /** Subjects of theirs that are not there, each with how much belongs to it, which is left out with it. */
  readonly without: readonly { readonly key: string; readonly name: string; readonly things: number }[]
}

/**
 * What a colleague's set-up has that this one lacks. Things are the same where they are called the same (a skill: in
 * its subject); keys are given anew where one is taken. What belongs to a subject that is lacking is left out with it.
 * @param along keys of subjects of theirs that shall come along
 * @example planSetupMerge(ours, ours, new Set()).same // all there is
 */
export function planSetupMerge(here: MergeableSetup, theirs: MergeableSetup, along: ReadonlySet<string>): SetupMerge {
  const merge = new Merge(here)
  for (const subject of theirs.subjects) merge.addSubject(subject, theirs, along)
  for (const habit of theirs.habits) merge.addHabit(habit, theirs)
  for (const skill of theirs.skills) merge.addSkill(skill, theirs)
  for (const box of theirs.boxes) merge.addBox(box, theirs)
  for (const phrase of theirs.phrases) merge.addPhrase(phrase, theirs)
  return merge.found()
}

/** Theirs by key, as they are called here. */
class Merge {
  private readonly scales: Scale[] = []
  private readonly subjects: Subject[] = []
  private readonly skills: Skill[] = []
  private readonly habits: Habit[] = []
  private readonly boxes: CommentBox[] = []
  private readonly phrases: Phrase[] = []
  private same = 0
  private readonly lacking = new Map<string, { name: string; things: number }>()
  private readonly scaleHere = new Map<string, string>()
  private readonly subjectHere = new Map<string, Subject>()
  private readonly habitHere = new Map<string, string>()
  private readonly skillsHere: Set<string>
  private readonly skillIds: Set<string>
  private readonly phrasesHere: Set<string>
  private readonly phraseIds: Set<string>

  constructor(private readonly here: MergeableSetup) {
    this.skillsHere = new Set(here.skills.map(skillPlace))
    this.skillIds = new Set(here.skills.map(({ id }) => id))
    this.phrasesHere = new Set(here.phrases.map(phrasePlace))
    this.phraseIds = new Set(here.phrases.map(({ id }) => id))
  }

  found(): SetupMerge {
    const { scales, subjects, skills, habits, boxes, phrases, same } = this
    const without = [...this.lacking].map(([key, { name, things }]) => ({ key, name, things }))
    return { scales, subjects, skills, habits, boxes, phrases, same, without }
  }

  addSubject(subject: Subject, theirs: MergeableSetup, along: ReadonlySet<string>): void {
    const here = this.here.subjects.find(({ name }) => nameKey(name) === nameKey(subject.name))
    if (here) {
      this.same += 1
      this.subjectHere.set(subject.key, here)
    } else if (along.has(subject.key)) {
      const made: Subject = {
        ...subject,
        key: keyFor(subject.name, keysOf([...this.here.subjects, ...this.subjects])),
        markScale: this.scaleFor(subject.markScale, theirs),
        skillScale: this.scaleFor(subject.skillScale, theirs),
        markScaleByGrade: this.scalesFor(subject.markScaleByGrade, theirs),
        skillScaleByGrade: this.scalesFor(subject.skillScaleByGrade, theirs),
      }
      this.subjects.push(made)
      this.subjectHere.set(subject.key, made)
    } else this.lacking.set(subject.key, { name: subject.name, things: 0 })
  }

  addHabit(habit: Habit, theirs: MergeableSetup): void {
    const here = this.here.habits.find(({ name }) => nameKey(name) === nameKey(habit.name))
    if (here) {
      this.same += 1
      this.habitHere.set(habit.key, here.key)
      return
    }
    const key = keyFor(habit.name, keysOf([...this.here.habits, ...this.habits]))
    this.habits.push({ ...habit, key, scale: this.scaleFor(habit.scale, theirs) })
    this.habitHere.set(habit.key, key)
  }

  addSkill(skill: Skill, theirs: MergeableSetup): void {
    const subject = this.ofSubject(skill.subject)
    if (!subject) return
    const made = { ...skill, subject: subject.key, strand: this.strandHere(skill.subject, skill.strand, theirs) }
    if (this.skillsHere.has(skillPlace(made))) {
      this.same += 1
      return
    }
    const id = this.skillIds.has(skill.id) ? keyFor(`${subject.key}-skill`, [...this.skillIds]) : skill.id
    this.skills.push({ ...made, id })
    this.skillIds.add(id)
    this.skillsHere.add(skillPlace(made))
  }

  addBox(box: CommentBox, theirs: MergeableSetup): void {
    const subject = box.subject === null ? null : this.ofSubject(box.subject)
    if (subject === undefined) return
    const key = subject?.key ?? null
    const all = [...this.here.boxes, ...this.boxes]
    if (all.some((each) => each.subject === key && nameKey(each.name) === nameKey(box.name))) {
      this.same += 1
      return
    }
    const plan = box.plan.map((part): PlannedPart => ({
      ...part,
      about: this.aboutHere(box.subject, part.about, theirs),
    }))
    this.boxes.push({ ...box, key: keyFor(box.name, keysOf(all)), subject: key, plan })
  }

  addPhrase(phrase: Phrase, theirs: MergeableSetup): void {
    const isOfSubject = phrase.subject !== 'any' && phrase.subject !== 'general'
    const subject = isOfSubject ? this.ofSubject(phrase.subject) : null
    if (subject === undefined) return
    const about = this.aboutHere(isOfSubject ? phrase.subject : null, phrase.about, theirs)
    const made = { ...phrase, subject: subject?.key ?? phrase.subject, about }
    if (this.phrasesHere.has(phrasePlace(made))) {
      this.same += 1
      return
    }
    const id = this.phraseIds.has(phrase.id) ? keyFor(`${phrase.id}-new`, [...this.phraseIds]) : phrase.id
    this.phrases.push({ ...made, id })
    this.phraseIds.add(id)
    this.phrasesHere.add(phrasePlace(made))
  }

  /** The subject here that one of theirs is; undefined, and counted, where there is none. */
  private ofSubject(key: string): Subject | undefined {
    const lacking = this.lacking.get(key)
    if (lacking) lacking.things += 1
    return this.subjectHere.get(key)
  }

  private scaleFor(key: string, { scales }: MergeableSetup): string {
    const known = this.scaleHere.get(key)
    if (known !== undefined) return known
    const wanted = scales.find((scale) => scale.key === key)
    if (!wanted) return key
    const called = (scale: Scale): boolean => scale.kind === wanted.kind && nameKey(scale.name) === nameKey(wanted.name)
    const here = this.here.scales.find(called)
    const made = here?.key ?? keyFor(wanted.name, keysOf([...this.here.scales, ...this.scales]))
    if (!here) this.scales.push({ ...wanted, key: made })
    this.scaleHere.set(key, made)
    return made
  }

  private scalesFor(rules: Subject['markScaleByGrade'], theirs: MergeableSetup): Subject['markScaleByGrade'] {
    return rules?.map(({ grades, is }) => ({ grades, is: this.scaleFor(is, theirs) }))
  }

  private strandHere(subject: string, strand: string, theirs: MergeableSetup): string {
    const here = this.subjectHere.get(subject)
    const name = nameOfStrand(
      theirs.subjects.find(({ key }) => key === subject),
      strand,
    )
    const strands = this.here.skills.flatMap((skill) => (skill.subject === here?.key ? [skill.strand] : []))
    // A strand of a subject that comes along keeps its key, with the names that come with the subject.
    return strands.length === 0 ? strand : strandCalled(here, strands, name)
  }

  /** What a part or a phrase speaks of: habits and strands by their keys here, "any" and its like as they are. */
  private aboutHere(subject: string | null, about: string, theirs: MergeableSetup): string {
    const own = theirs.skills.filter((skill) => skill.subject === subject)
    const here = (each: string): string =>
      subject !== null && own.some(({ strand }) => strand === each)
        ? this.strandHere(subject, each, theirs)
        : (this.habitHere.get(each) ?? each)
    return about.split(' + ').map(here).join(' + ')
  }
}

function keysOf(all: readonly { key: string }[]): string[] {
  return all.map(({ key }) => key)
}

function skillPlace({ subject, statement }: Pick<Skill, 'subject' | 'statement'>): string {
  return `${subject}\u0000${nameKey(statement)}`
}

function phrasePlace({ subject, part, about, text }: Phrase): string {
  return [subject, part, about, text].join('\u0000')
}
