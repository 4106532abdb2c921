import { pluralVerb } from '../verbs'

/**
 * Verbs that teachers write of students, as they follow "she". Ours; a verb that is not here is left as plain words,
 * which a click corrects.
 */
const singulars =
  `is has was does goes needs finds uses reads keeps says works gives writes knows explains shows asks takes plays follows makes
looks joins remembers brings puts plans listens begins understands tells measures finishes chooses checks spells notices gets describes
compares adds tries stays moves draws comes sees repeats names loses links helps hears throws spots produces mixes manages likes loves
learns fills completes builds applies watches wants turns stops starts sorts solves shares runs records reaches picks multiplies leaves
leads improves holds hands handles forgets estimates enjoys corrects converts changes catches calculates breaks answers accepts wins
waits varies treats tires thinks thanks tests talks swims sums suggests subtracts sounds slows shapes settles sets rounds rolls revises
retells recognises recalls punctuates proves proofreads presents prefers predicts practises practices points pays passes owns orders opens
offers mends lists lines lands labels jumps guesses groups gathers encourages divides develops decides dares counts closes claps
carries borrows becomes backs achieves acts admits agrees allows analyses appears appreciates argues arrives asserts attempts attends avoids
behaves believes benefits blends calls cares challenges cheers climbs collaborates collects combines comments communicates concentrates
concludes considers constructs contributes copes copies creates cuts deals demonstrates depends deserves designs discovers discusses
displays drafts dreams earns edits engages ensures enters evaluates excels exceeds experiments explores expresses feels fits focuses
forms gains generalises grasps grows guides happens identifies ignores illustrates imagines includes inspires interprets invents
investigates invites judges lacks laughs lets lifts lives masters matches meets models names observes organises organizes paints
participates performs persists perseveres persuades possesses prepares progresses promises pronounces proposes provides pushes
questions raises reacts realises reasons receives recalls reflects relates relies reminds reports represents requires researches
respects responds rushes seeks seems selects sends shines signs sings sits speaks spends spreads stands states strengthens strives
struggles studies succeeds supports supposes teaches tends touches traces trusts understands values views visits volunteers walks
welcomes wishes wonders worries lasts files surprises praises means hunts empties warms includes tidies ends belongs differs opens hopes hasn't isn't wasn't doesn't`.split(
    /\s+/,
  )

/** Forms after "she". */
export const singularVerbs: ReadonlySet<string> = new Set(singulars.filter((verb) => /(s|n't)$/.test(verb)))

/** Forms after "they", each with the form after "she". */
export const pluralVerbs: ReadonlyMap<string, string> = new Map(
  [...singularVerbs].map((verb) => [pluralVerb(verb), verb]),
)

/** Verbs whose form after "she" is also a plural noun. */
export const alsoNouns: ReadonlySet<string> = new Set(
  `needs uses works plans checks answers names plays talks walks looks shows shares records rounds rolls tests
sounds shapes sets points passes orders offers lists lines labels jumps guesses groups counts changes calls cares acts comments copies cuts
deals designs displays drafts dreams experiments forms guides judges matches models paints promises questions reasons reports respects
signs states studies supports traces values views visits wishes worries runs measures moves links hands starts stops turns
leaves throws catches draws claims closes repeats rests tries`.split(/\s+/),
)

/** Words that can stand between a subject and its verb. */
export const betweenSubjectAndVerb =
  /^(also|always|often|usually|sometimes|never|seldom|rarely|already|still|now|just|really|soon|then|generally|mostly|not|only|both|either|\p{L}+ly)$/iu
