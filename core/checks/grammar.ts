import { anyOf, pattern } from '../text/pattern'
import type { Check, Finding } from './finding'
import { write } from './finding'

/** Words that are spelled right and stand wrong: the first group that matched is what stands wrong. */
interface Slip {
  readonly find: RegExp
  readonly why: string
  /** What is written in its place; null where only the teacher can say. */
  readonly instead: ((words: string) => string) | null
}

const raw = String.raw
const word =
  (text: string) =>
  (found: string): string =>
    /^\p{Lu}/u.test(found) ? text.charAt(0).toUpperCase() + text.slice(1) : text

// Words by what they do in the sentences of a report; ours.
const verbs =
  anyOf(`be have do go get make take give see say know think find come read write draw count add explain show
  tell try use help work learn choose begin keep ask listen speak plan measure play practise finish check sort record
  remember understand look share start move grow improve bring hold put run talk sit stand join lead follow describe
  compare solve spell`)
const praised =
  anyOf(`good great busy pleasant kind keen strong careful thoughtful reliable valued lively happy quiet real
  very_good very_pleasant long hard short big lovely`)
const people = anyOf(`pleasure joy delight member student pupil reader writer listener learner friend classmate helper
  speaker mathematician scientist artist`)
const stretches = anyOf(`term year start spring autumn winter summer week month step idea example partner worker child
  boy girl`)
const several =
  anyOf(`results answers stories drawings ideas graphs tables reports methods sentences words books numbers
  questions facts tests letters paragraphs notes sums skills marks levels pictures poems steps maps charts`)
const belongings =
  anyOf(`own work books? ideas? friends? partners? group homework answers? writing reading spelling desk
  things parents turn best bag tables? results reports stories story place`)
const compared = anyOf(`more less better worse faster slower quicker harder easier longer shorter earlier later rather
  other higher lower larger smaller older younger neater clearer surer fewer stronger further`)
const states = anyOf(`short long hard easy quick slow late early loud quiet much many few little big small often fast
  difficult shy tired`)
const counted = anyOf(`mistakes errors reminders words pieces books tasks marks lessons days questions answers problems
  steps pages friends children people`)
const modals = anyOf('can could will would should must may might did does do')
const owners = anyOf('the his her their these those our all both')

/** The slips that a tired hand makes in reports, found by the words around them; ours. */
const slips: readonly Slip[] = [
  // Its and it’s, their and there, your and you’re, then and than, to and too, of and have.
  {
    find: pattern(
      raw`\b${anyOf('and of in with on for to by from all knows uses finds shows explains')} (it['’]s)`,
      raw`(?= (?:own |\p{L}+s\b|limit|meaning|place|value|name|shape|size|answer|title|sides|parts))`,
    ),
    why: '“It’s” means “it is”; what belongs to it is “its”.',
    instead: word('its'),
  },
  {
    find: pattern(
      raw`(?:^|[.!?] |\b${anyOf('that and but when because if hope think know')} )(its) `,
      raw`(?=${anyOf('a an the been not hard easy good clear time always still great lovely important nice worth')} )`,
    ),
    why: '“Its” is what belongs to it; “it is” is “it’s”.',
    instead: word('it’s'),
  },
  {
    find: pattern(raw`\b(there)(?= ${belongings}\b)(?! ${anyOf('is are was were')}\b)`),
    why: '“There” is a place; what is theirs is “their”.',
    instead: word('their'),
  },
  {
    find: pattern(raw`\b(their)(?= ${anyOf('is are was were has_been will_be')}\b)`),
    why: 'Before a verb it is “there”.',
    instead: word('there'),
  },
  {
    find: pattern(
      raw`\b${compared} (?:\p{L}+ )?(then)\b`,
      raw`(?! (?:he|she|they|we|I) ${anyOf('will can could goes went comes')})`,
    ),
    why: 'Beside what is more or less, it is “than”.',
    instead: word('than'),
  },
  {
    find: pattern(raw`\b(${anyOf('should could would must might may')} of)\b(?! course)`),
    why: 'It is “have”, as in “should have”.',
    instead: (words) => words.replace(/of$/i, 'have'),
  },
  {
    find: pattern(
      raw`\b${anyOf('was is were are been be it still often sometimes far much bit')} (to)(?= ${states}\b)`,
    ),
    why: 'It is “too”, as in “too short”.',
    instead: word('too'),
  },
  {
    find: pattern(
      raw`\b${anyOf('if when that hope glad sure while as where')} (your)`,
      raw`(?= ${anyOf('free able welcome happy interested looking going not in at_home worried unsure ready')}\b)`,
    ),
    why: '“Your” is what belongs to you; here it is “you’re”.',
    instead: word('you’re'),
  },
  {
    find: pattern(
      raw`\b(?:${modals}|to|does not|did not|not|doesn['’]t) (effect)`,
      raw`(?= ${anyOf('the a his her their how what each one it')}\b)`,
    ),
    why: 'To change something is to “affect” it.',
    instead: word('affect'),
  },
  {
    find: pattern(
      raw`\b${anyOf('the an its this that what much no good great')} (affect)(?= ${anyOf('of on that is was')}\b)`,
    ),
    why: 'What comes of something is its “effect”.',
    instead: word('effect'),
  },
  {
    find: pattern(raw`\b(less)(?= ${counted}\b)`),
    why: 'What can be counted is “fewer”.',
    instead: word('fewer'),
  },
  {
    find: pattern(raw`\b(loose)(?= ${anyOf('the his her their interest focus heart track marks')}\b)`),
    why: 'It is “lose”; “loose” is what is not tight.',
    instead: word('lose'),
  },
  {
    find: pattern(
      raw`\b(?:reads?|quotes?|facts?|words?|copies|comes?|learns?|learned|away|far|ideas?|letters?|numbers?|`,
      raw`sentences?|back|out|taken|different|home) (form)(?= (?:the|a|an|his|her|their|memory|one|\d)\b)`,
    ),
    why: 'It is “from”.',
    instead: word('from'),
  },
  {
    find: pattern(
      raw`(?<!\b(?:${modals}|to|still|and|they|we|you|or|please) )\b(practise)`,
      raw`(?= (?:is|makes|was|helps|will|at home each|every|each)\b)|`,
      raw`(?:\b${anyOf('needs more some little regular daily of with extra')} )(practise)\b`,
      raw`(?! ${anyOf('his her their the reading writing spelling it more')})`,
    ),
    why: 'The noun is “practice”.',
    instead: word('practice'),
  },
  // A verb that does not go with its subject.
  {
    find: pattern(
      raw`(?<!\b(?:${modals}|if|though|wish|wishes|wished|lets?|makes?|made|helps?|saw|sees?|hear|heard|watch|had) )`,
      raw`\b(?:he|she|it) (don['’]?t|haven['’]?t|aren['’]?t|were|have|do|are)\b`,
    ),
    why: 'This does not go with one person.',
    instead: (words) => ofOne[words.toLowerCase().replace(/['’]/g, '')] ?? words,
  },
  {
    find: pattern(
      raw`\b(?:he|she|it|they|we|you|I) ((?:ca|wo)nt)\b|`,
      raw`\b(${anyOf('does did is was has have are were would could should do')}nt)\b`,
    ),
    why: 'There is no apostrophe here.',
    instead: (words) => words.replace(/nt$/i, 'n’t'),
  },
  {
    find: pattern(
      raw`\b${anyOf('each every one none neither either')} (?:one )?of ${anyOf('the these those his her their our')} `,
      raw`[\p{L}' ’-]{2,40}? (are|were|have|do)\b`,
      raw`(?= (?:a|an|the|not|in|on|at|to|too|very|still|missing|been|always|\p{L}+(?:ed|ing|ly)\b))`,
    ),
    why: '“Each” and “one” take the verb of one.',
    instead: (words) => ofOne[words.toLowerCase()] ?? words,
  },
  {
    find: pattern(
      raw`\b${owners} (?:\p{L}+ )?${several}`,
      raw`(?: ${anyOf('in of on about for from')} (?:[\p{L}'’]+ ){0,2}[\p{L}'’]+)? (is|was|has|does)\b`,
      raw`(?! ${anyOf('that what how why to it')}\b)`,
    ),
    why: 'Several things take the verb of several.',
    instead: (words) => ofSeveral[words.toLowerCase()] ?? words,
  },
  {
    find: pattern(
      raw`\b(?:has|have|had) (went|did|saw|wrote|began|forgot|took|gave|ate|ran|came|drew|chose|spoke|broke|grew|knew|`,
      raw`fell|drove|rode|sang|swam|wore)\b`,
    ),
    why: 'After “has” the verb has another form.',
    instead: (words) => participles[words.toLowerCase()] ?? words,
  },
  // A word that is missing.
  {
    find: pattern(raw`\b(able (?!to\b)${verbs})\b`),
    why: '“To” is missing.',
    instead: (words) => words.replace(/^able /i, 'able to '),
  },
  {
    find: pattern(
      raw`\b((?:likes|wants|needs|tries|hopes|begins|starts|learns|has begun|has started|is learning|was glad|`,
      raw`is ready|ought) ${verbs})\b(?! and (?:likes|wants))`,
      raw`(?<!needs help|needs work|needs practise|likes play|needs time|wants help|likes work)`,
    ),
    why: '“To” is missing.',
    instead: withTo,
  },
  {
    find: pattern(raw`\b((?:would|should|['’]d) like (?:him|her|them) (?!to\b)${verbs})\b`),
    why: '“To” is missing.',
    instead: withTo,
  },
  {
    find: pattern(
      raw`\b(${anyOf('one some most many part none')} the)`,
      raw`(?= ${anyOf(`best strongest most class children students boys girls others quickest kindest time work stories
        tasks`)}\b)`,
    ),
    why: '“Of” is missing.',
    instead: (words) => words.replace(/ the$/i, ' of the'),
  },
  {
    find: pattern(
      raw`\b${anyOf('is was has_been been had has makes')} (${praised} (?:${people}|${stretches})|${people})`,
      raw`(?=[ .,;!?])`,
    ),
    why: '“A” is missing.',
    instead: (words) => `a ${words}`,
  },
  {
    find: pattern(
      raw`\b(${anyOf('often always sometimes usually never they can')} keep)(?= (?:when|while|if|even|until|till)\b)|`,
      raw`\b(${anyOf('often always sometimes usually he she')} keeps)(?= (?:when|while|if|even)\b)`,
    ),
    why: 'Something is missing after “keep”.',
    instead: null,
  },
  {
    find: pattern(raw`\b(?:looking|look|looks) (forward) (?!to\b)(?=\p{L})`),
    why: '“To” is missing.',
    instead: word('forward to'),
  },
]

function withTo(words: string): string {
  return words.replace(/ (\p{L}+)$/u, ' to $1')
}

const ofOne: Readonly<Record<string, string>> = {
  dont: 'doesn’t',
  havent: 'hasn’t',
  arent: 'isn’t',
  were: 'was',
  have: 'has',
  do: 'does',
  are: 'is',
}
const ofSeveral: Readonly<Record<string, string>> = { is: 'are', was: 'were', has: 'have', does: 'do' }
const participles: Readonly<Record<string, string>> = {
  went: 'gone',
  did: 'done',
  saw: 'seen',
  wrote: 'written',
  began: 'begun',
  forgot: 'forgotten',
  took: 'taken',
  gave: 'given',
  ate: 'eaten',
  ran: 'run',
  came: 'come',
  drew: 'drawn',
  chose: 'chosen',
  spoke: 'spoken',
  broke: 'broken',
  grew: 'grown',
  knew: 'known',
  fell: 'fallen',
  drove: 'driven',
  rode: 'ridden',
  sang: 'sung',
  swam: 'swum',
  wore: 'worn',
}

/** Words that are spelled right and stand wrong: its for it’s, a verb that does not agree; and a word left out. */
export const grammar: Check = ({ text }) =>
  slips.flatMap(({ find, why, instead }) =>
    [...text.matchAll(find)].map((match): Finding => {
      const words = match.slice(1).find((group) => group !== undefined) ?? match[0]
      const start = match.index + match[0].lastIndexOf(words)
      const end = start + words.length
      return { check: 'grammar', why, start, end, mends: instead ? [write(instead(words), start, end)] : [] }
    }),
  )
