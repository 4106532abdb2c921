import { daysByHeading } from '../lists/attendanceWords'
import type { ColumnRole, DescribingRow } from './gradebookMapping'
import { headingKey } from '../files/readRecords'
import { readWorkHeading } from './readWorkHeading'

// Words as schools here and next door have them in their gradebooks, without accents, spaces and signs (see
// headingKey): English, German, French, Spanish, Italian, Dutch, Danish, Norwegian and Swedish.

const headingWords: readonly [ColumnRole, RegExp][] = [
  ['number', /^(student|school|pupil|learner)?(number|no|nr|id|#|ref)$|^(schuler|elev|leerling)?(nummer|nr)$/],
  ['number', /^num(ero)?$|^matric[uo]l[ea]$|^matrikelnummer$|^upn$|^(schuler|elev|leerling)id$/],
  ['number', /^(id|admission|roll|reg(ister|istration)?|local|sis|person|candidate|index|child)(number|no|nr|id)$/],
  ['given name', /^(given|first|fore)(name)?s?$|^vornamen?$|^prenoms?$|^nombres?$|^voornaam$|^fo?rnamn?$|^fornavn$/],
  ['family name', /^(family|last|sur)(name)?s?$|^(nach|familien|zu)namen?$|^noms?(defamille)?$|^apellidos?$/],
  ['given name', /^(rufname|knownas|(preferred|chosen)(first)?name|(student|pupil)(first|given|fore)name)$/],
  ['family name', /^(student|pupil)(last|family|sur)name$/],
  ['family name', /^cognome$|^achternaam$|^efternam?n$|^ef?t?ternavn$/],
  [
    'name',
    /^(full)?name$|^(student|pupil|learner|child)(name)?s?$|^(student|pupil)s?fullname$|^nome$|^naam$|^navn$|^namn$/,
  ],
  [
    'name',
    /^((schuler(in)?){1,2}|kind|eleve|alumn[oa]a?s?|estudiante|alun[no]?[oa]|studente|leerling|elev|elevensnavn)$/,
  ],
  [
    'name',
    /^(children|kids?|names|who|participant|candidate|displayname)$|^names?of(the)?(student|pupil|child|learner)s?$/,
  ],
  ['name', /^(last|sur|family|nach)?(name)(and|und)?(first|fore|given|vor)?(name)?s?(lastfirst)?$|^lastfirst$/],
  ['name', /^(apellidos?|cognome|nom|ef?t?ternavn)(y|e|et|og)?(nombre|nome|prenom|fornavn)s?$/],
  ['name', /^(nombre|nome|prenom|fornavn)s?(y|e|et|og)?(apellidos?|cognome|nom|ef?t?ternavn)$/],
  ['work', /^(work|pieceofwork|assignment|task|assessment|test|exam|quiz|exercise|item|title|activity)(name|title)?$/],
  ['work', /^(topic|theme|paper|piece|project|module|lesson)(name|title)?$/],
  [
    'work',
    /^(aufgabe|ubung|arbeit|devoir|exercice|tarea|ejercicio|compito|opdracht|opgave|oppgave|uppgift|thema|tema|sujet)$/,
  ],
  ['score', /^(score|result|mark|points|grade)s?(earned|scored|awarded|achieved)?%?$|^(earned|achieved|awarded)$/],
  ['score', /^(punkte|puntos|punti|punten|point|poeng|poang|points?obtenus|ergebnis|resultat|resultado)$/],
  [
    'out of',
    /^(outof|max(imum)?|max(imum)?(points|score|marks?)|(points|marks)?possible|possiblepoints|of|von|sur|av|af|van)$/,
  ],
  ['category', /^(work|assignment|task)?(category|type|kind|group)$|^(kategorie|categorie|categoria|kategori)$/],
  ['date', /^(date|due|duedate|day|doneon|datum|fecha|data|dato)$/],
  ['weight', /^(weight|weighting|gewicht(ung)?|coefficient|peso|ponderacion|vekt|vikt)$/],
  ['counts', /^(goes)?intothemark$/],
  ['state', /^(status|state|scorestatus|submissionstatus|estado|stato|statut)$/],
  ['remark', /^(remark|comment|note|notes|remarks|bemerkung|remarque|observacion(es)?)s?$/],
  ['ignore', /^(average|mean|sum|percent|%|overall|email|mail|class|homeroom|gradelevel|section)$/],
  // What a program has added up is no piece of work.
  [
    'ignore',
    /^(sub|grand)?totals?(points|score|mark|percent|%)?$|^(gesamt|summe|durchschnitt|moyenne|promedio|media)$/,
  ],
  [
    'ignore',
    /^(current|final|overall|running|calculated|weighted)(score|grade|mark|percent|%|points|average|total)s?$/,
  ],
  ['ignore', /^(term|semester|quarter|year)(score|grade|mark|percent|%|points|average|total)s?$/],
  ['ignore', /^(gesamt|end|schluss)note$|^(nota|voto|note|media|moyenne)(final|finale|generale|total)$/],
  ['ignore', /^(gemiddelde|eindcijfer|totaal|gennemsnit|gjennomsnitt|medelvarde|totalt|slutbetyg)$/],
  ['ignore', /^(class|overall|total|term)?(avg|average|mean)(mark|score|grade|%)?$|^percentage$|^totalgeneral$/],
  ['ignore', /^ø(note|noten|punkte|mark|score|%)?s?$/],
  ['ignore', /^(gesamtpunkte|schnitt|mittelwert|somma|totale|notamedia|sumpoeng|snitt|medel|summa)$/],
  // What somebody is measured against, and what a program notes of itself.
  [
    'ignore',
    /^(standard(ised)?score|percentile|stanine|(reading|chronological)age|target(grade)?|merits|housepoints)$/,
  ],
  ['ignore', /^(late)?(penalty|deductions?|adjustment)$|^dayslate$/],
  ['ignore', /^(errors?|mistakes|fehler|fautes|faltas|errori|fouten|fejl|feil|fel)$/],
  ['ignore', /^(attempts?|questions|username|(last)?login|timestamp|submitt?edat|(parent)?emailaddress|parentemail)$/],
  ['ignore', /^(subject|fach|matiere|asignatura|materia|vak|fag|amne|year(group)?|mf|sen|eal|s(erial)?no|grupo)$/],
  // Who somebody is, in figures.
  ['ignore', /^(age|birth(day|date|year)?|dateofbirth|dob|yearofbirth|sex|gender|phone|tel|telephone)$/],
  ['ignore', /^((old|new)?seat|room|half|term|week|period|set|stream|band|team|table|house|tutor|initials|signature)$/],
  ['ignore', /^(tutor|form|reading|maths?|teaching)?(group|set|class|form|teacher)(name|number|no)?$|^gruppe|groupe?$/],
  ['ignore', /^(class)?(rank|position|place|ranking)$|^(rang|platz|puesto|posicion|posizione|plass|plats)$/],
  ['ignore', /^(alter|geburtsdatum|geschlecht|klasse|age|classe|edad|sexo|curso|eta|sesso|leeftijd|klas|alder)$/],
]

const describingWords: readonly [DescribingRow, RegExp][] = [
  ['out of', /^(outof|max(imum)?(points|score|marks?)?|(points|marks)possible|possible(points)?)$/],
  ['out of', /^((full|perfect)(marks?|scores?)|worth)$/],
  [
    'out of',
    /^(points?|marks?|scores?)?(available|possible|achievable)(points?|marks?|scores?)?$|^(points|marks|of|inall)$/,
  ],
  ['out of', /^(highest|best)possible(score|mark)?$|^(sur|notesur|maximo|massimo|maximaal|maks|von)$/],
  ['out of', /^(gesamtpunktzahl|erreichbarepunkte|punktemax|puntuacionmaxima)$/],
  ['out of', /^total(marks|points|possible)$/],
  ['out of', /^(max(imale)?(punkte|punktzahl)|hochstpunktzahl|bareme|puntosmaximos|puntimassimi|maxpoang|makspoeng)$/],
  // The word for points after "max" differs, the rest does not.
  ['out of', /^ma(x|ks)(im(um|ale?))?(punkt|pont|poin|bod|pist|pkt|puan|pts|p)\p{L}*$/u],
  ['category', /^(category|type|kind|kategorie|categorie|categoria|kategori|typ|tipo|soort|strand|topicarea)$/],
  [
    'date',
    /^(dates?|due|duedate|datum|fecha|data|dato|day|when|termin|doneon|seton|(test)?date(given|due|set|oftest)?)$/,
  ],
  ['counts', /^(goes)?intothemark$/],
  ['weight', /^(weights|weighting|weight%|countsfor|coeff?s?|ponderacion|weging|fa[ck]tor|%ofterm|percentageofgrade)$/],
  ['weight', /^(weight|counts|gewicht(ung)?|coefficient|peso|gewicht|vekt|vikt)$/],
]

/** What a row calls itself that adds the others up. */
const summaryWords: readonly RegExp[] = [
  /^(whole|class|group|grand)*(average|avg|mean|median|total|sum|highest|lowest|high|low|max(imum)?|min(imum)?)s?%?$/,
  /^(class|group)*(average|mean|highest|lowest)(score|mark)s?$|^(wholeclass|passrate|best|worst|mode|quartiles?)$/,
  /^(class|group)?(std|stdev|stddev|standarddeviation|sd|count|range)s?$|^n$|^numberof(pupils|students|children)$/,
  /^(klassen)?(durchschnitt|schnitt|mittelwert|summe)$|^moyenne(de(la)?classe)?$|^mediane$/,
  /^(media|promedio|gemiddelde|gennemsnit|snitt|medel)$|^media(de)?(la)?clas[se]e?$|^mediaclasse$/,
  /^ø(klasse|class|note|noten|punkte)?$/,
  /^(klasgemiddelde|klassesnitt|medelvarde|bester?)$/,
]

/**
 * What a heading says of its column; null where it is none that is known.
 * @example roleByHeading('Nachname') // 'family name'
 */
export function roleByHeading(cell: string): ColumnRole | null {
  const key = headingKey(cell)
  const role = headingWords.find(([, pattern]) => pattern.test(key))?.[0] ?? sumWithMaximum(cell)
  // Days at school are no piece of work.
  return role ?? (daysByHeading(cell) === null ? null : 'ignore')
}

/** @example sumWithMaximum('Total (50)') // 'ignore' */
function sumWithMaximum(cell: string): ColumnRole | null {
  const { title, outOf } = readWorkHeading(cell)
  const role = outOf === null ? null : headingWords.find(([, pattern]) => pattern.test(headingKey(title)))?.[0]
  return role === 'ignore' ? role : null
}

/**
 * What a row's label says of the row; null where it says nothing.
 * @example describedBy('Max. points') // 'out of'
 */
export function describedBy(label: string): DescribingRow | null {
  const key = headingKey(label)
  return describingWords.find(([, pattern]) => pattern.test(key))?.[0] ?? null
}

/**
 * Whether a row calls itself an average or the like. A child may be called so (Max): the class is asked first.
 * @example isSummary('Class average') // true
 */
export function isSummary(label: string): boolean {
  const key = headingKey(label)
  return summaryWords.some((words) => words.test(key))
}
