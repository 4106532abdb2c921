import { roleByHeading } from '../gradebook/gradebookWords'

/** A column of a list: what it is called, how it is recognised, and whether it is what each row is about. */
export interface ListColumn<Key extends string = string> {
  readonly key: Key
  readonly title: string
  /** Whether a heading, as it is written and as its key (small letters alone), is this column's. */
  readonly is: (heading: string, key: string) => boolean
  /** True for the one column that a list without columns has: a row is one of these, whole. */
  readonly main?: boolean
}

const by =
  (pattern: RegExp) =>
  (_heading: string, key: string): boolean =>
    pattern.test(key)

export type SkillColumn = 'subject' | 'strand' | 'statement' | 'familyWords' | 'grades' | 'teacherOnly'

/** Columns of a list of skills; headings in English and in the languages of the neighbours. */
export const skillColumns: readonly ListColumn<SkillColumn>[] = [
  { key: 'subject', title: 'Subject', is: by(/^(subject|fach|matiere|asignatura|materia|vak|amne|fag)$/) },
  { key: 'strand', title: 'Strand', is: by(/^(strand|area|domain|bereich|domaine|ambito|domein|omrade)$/) },
  {
    key: 'statement',
    title: 'Skill',
    is: by(/^(skill|statement|standard|outcome|kompetenz|competence|competencia|vaardigheid|fardighet)s?$/),
    main: true,
  },
  {
    key: 'familyWords',
    title: 'In words for families',
    is: by(/^(inwordsforfamilies|wordsforfamilies|familywords|parentwords)$/),
  },
  { key: 'grades', title: 'Grades', is: by(/^(grades?|years?|klassen?|stufen?)$/) },
  { key: 'teacherOnly', title: 'Teacher only', is: by(/^(teacheronly|notonreport|internal)$/) },
]

export type StaffColumn = 'name' | 'given' | 'family' | 'signIn' | 'role' | 'grades'

/** Columns of a list of staff. */
export const staffColumns: readonly ListColumn<StaffColumn>[] = [
  { key: 'given', title: 'Given name', is: (heading) => roleByHeading(heading) === 'given name' },
  { key: 'family', title: 'Family name', is: (heading) => roleByHeading(heading) === 'family name' },
  {
    key: 'signIn',
    title: 'Signs in as',
    is: by(/^(signsinas|signin|login|user|username|account|benutzer|benutzername)$/),
  },
  { key: 'role', title: 'Role', is: by(/^(role|rolle|funktion|fonction|rol)$/) },
  { key: 'grades', title: 'Of grades', is: by(/^(of)?(grades?|years?|klassen?|stufen?)$/) },
  { key: 'name', title: 'Name', is: (heading) => roleByHeading(heading) === 'name', main: true },
]

export type ContactColumn = 'number' | 'student' | 'name' | 'relation' | 'email' | 'language' | 'household' | 'told'

/** Columns of a list of contacts; each row says whose child it is by number or by name. */
export const contactColumns: readonly ListColumn<ContactColumn>[] = [
  { key: 'number', title: 'Number', is: (heading) => roleByHeading(heading) === 'number' },
  {
    key: 'student',
    title: 'Student',
    is: by(/^(student|child|pupil|kind|schuler|eleve|alumno|leerling|elev|barn)(name)?$/),
  },
  {
    key: 'name',
    title: 'Contact',
    is: by(/^(contact|parent|guardian|carer|contactname|kontakt|eltern|parents?|contacto|tutor)$/),
  },
  { key: 'relation', title: 'Relation', is: by(/^(relation|relationship|istothechild|beziehung|lien|relacion)$/) },
  { key: 'email', title: 'Mail', is: by(/^(mail|email|emailaddress|correo|courriel)$/) },
  { key: 'language', title: 'Language', is: by(/^(language|sprache|langue|idioma|taal|sprak)$/) },
  { key: 'household', title: 'Household', is: by(/^(household|family|haushalt|foyer|hogar)$/) },
  { key: 'told', title: 'Reports go to them', is: by(/^(reportsgotothem|reports?|told|receivesreports?)$/) },
]

export type SubjectColumn = 'name' | 'inSentence' | 'markScale' | 'skillScale'

/** Columns of a list of subjects. */
export const subjectColumns: readonly ListColumn<SubjectColumn>[] = [
  {
    key: 'name',
    title: 'Subject',
    is: by(/^(subject|name|fach|matiere|asignatura|materia|vak|amne|fag)s?$/),
    main: true,
  },
  { key: 'inSentence', title: 'Inside a sentence', is: by(/^(insideasentence|inasentence)$/) },
  { key: 'markScale', title: 'Marks on', is: by(/^(markson|markscale)$/) },
  { key: 'skillScale', title: 'Skills on', is: by(/^(skillson|skillscale)$/) },
]

export type HabitColumn = 'name' | 'familyWords' | 'scale'

/** Columns of a list of habits. */
export const habitColumns: readonly ListColumn<HabitColumn>[] = [
  { key: 'name', title: 'Habit', is: by(/^(habit|name|gewohnheit|habitude|habito|gewoonte)s?$/), main: true },
  { key: 'familyWords', title: 'As families read it', is: by(/^(asfamiliesreadit|familywords|wordsforfamilies)$/) },
  { key: 'scale', title: 'On', is: by(/^(on|scale)$/) },
]

export type BoxColumn = 'name' | 'subject' | 'limit' | 'plan'

/** Columns of a list of comment boxes. */
export const boxColumns: readonly ListColumn<BoxColumn>[] = [
  { key: 'name', title: 'Comment box', is: by(/^(commentbox|box|name)$/), main: true },
  { key: 'subject', title: 'Subject', is: by(/^(subject|in|fach|matiere|asignatura|vak)$/) },
  { key: 'limit', title: 'Characters', is: by(/^(characters?|limit|zeichen|caracteres?)$/) },
  { key: 'plan', title: 'Plan', is: by(/^plan$/) },
]

export type ScaleColumn = 'scale' | 'kind' | 'symbol' | 'name' | 'familySentence' | 'tier' | 'lowestPercent'

/** Columns of a list of levels, of as many scales as there are. */
export const scaleColumns: readonly ListColumn<ScaleColumn>[] = [
  { key: 'scale', title: 'Scale', is: by(/^(scale|scalename|skala)$/) },
  { key: 'kind', title: 'For', is: by(/^(for|kind)$/) },
  { key: 'symbol', title: 'Symbol', is: by(/^(symbol|level|letter|stufe)$/) },
  { key: 'name', title: 'Name', is: by(/^name$/) },
  { key: 'familySentence', title: 'As a family reads it', is: by(/^(asafamilyreadsit|familysentence)$/) },
  { key: 'tier', title: 'How far on', is: by(/^(howfaron|tier)$/) },
  { key: 'lowestPercent', title: 'From %', is: by(/^(from%?|lowestpercent|ab%?)$/) },
]

export type CategoryColumn = 'name' | 'weight' | 'exam'

/** Columns of a list of categories. */
export const categoryColumns: readonly ListColumn<CategoryColumn>[] = [
  { key: 'name', title: 'Category', is: by(/^(category|name|kategorie|categorie|categoria)$/), main: true },
  { key: 'weight', title: 'Weight', is: by(/^(weight|share|gewicht|gewichtung|poids|peso|%)$/) },
  { key: 'exam', title: 'Exam', is: by(/^(exam|is (an )?exam|prufung|examen|esame)$/) },
]

/** The columns that a list may have, in words. */
export function titlesOf(columns: readonly ListColumn[]): string {
  return columns.map(({ title }) => title).join(', ')
}
