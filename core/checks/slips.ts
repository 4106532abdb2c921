import type { Check, Finding } from './finding'
import { write } from './finding'

/** Words that are spelled right and stand wrong. */
interface Slip {
  readonly find: RegExp
  readonly why: string
  /** What is written in its place; null where only the teacher can say. */
  readonly instead: ((match: RegExpMatchArray) => string) | null
}

const word = (text: string) => (): string => text
const verbs =
  'be|have|do|go|get|make|take|give|see|say|know|think|find|come|read|write|draw|count|add|explain|show|tell|try|use|help|work|learn|choose|begin|keep|ask|listen|speak|plan|measure|play|practise|finish|check|sort|record|remember|understand|look|share|start|move|grow|improve|learn|finish|bring|hold|put|run|talk|sit|stand|join|lead|follow|describe|compare|solve|spell'
const kinds =
  'good|great|busy|pleasant|kind|keen|strong|careful|thoughtful|reliable|valued|lively|happy|quiet|real|very good|very pleasant|long|hard|short|big|lovely'
const people =
  'pleasure|joy|delight|member|student|pupil|reader|writer|listener|learner|friend|classmate|helper|speaker|mathematician|scientist|artist'
const stretches =
  'term|year|start|spring|autumn|winter|summer|week|month|step|idea|example|partner|worker|child|boy|girl'

/** The slips that a tired hand makes in reports, found by the words around them; ours. */
const slips: readonly Slip[] = [
  // Its and it’s, their and there, your and you’re, then and than, to and too, of and have.
  {
    find: /\b(?:and|of|in|with|on|for|to|by|from|all|knows|uses|finds|shows|explains) (it['’]s)(?= (?:own |\p{L}+s\b|limit|meaning|place|value|name|shape|size|answer|title|sides|parts))/giu,
    why: '“It’s” means “it is”; what belongs to it is “its”.',
    instead: word('its'),
  },
  {
    find: /(?:^|[.!?] |\b(?:that|and|but|when|because|if|hope|think|know) )(its) (?=(?:a|an|the|been|not|hard|easy|good|clear|time|always|still|great|lovely|important|nice|worth) )/giu,
    why: '“Its” is what belongs to it; “it is” is “it’s”.',
    instead: (match) => (match[1]?.startsWith('I') ? 'It’s' : 'it’s'),
  },
  {
    find: /\b(there)(?= (?:own|work|books?|ideas?|friends?|partners?|group|homework|answers?|writing|reading|spelling|desk|things|parents|turn|best|bag|tables?|results|reports|stories|story|place)\b)(?! (?:is|are|was|were)\b)/gi,
    why: '“There” is a place; what is theirs is “their”.',
    instead: (match) => (match[1]?.startsWith('T') ? 'Their' : 'their'),
  },
  {
    find: /\b(their)(?= (?:is|are|was|were|has been|will be)\b)/gi,
    why: 'Before a verb it is “there”.',
    instead: word('there'),
  },
  {
    find: /\b(?:more|less|better|worse|faster|slower|quicker|harder|easier|longer|shorter|earlier|later|rather|other|higher|lower|larger|smaller|older|younger|neater|clearer|surer|fewer|stronger|further) (?:\p{L}+ )?(then)\b(?! (?:he|she|they|we|I) (?:will|can|could|goes|went|comes))/giu,
    why: 'Beside what is more or less, it is “than”.',
    instead: word('than'),
  },
  {
    find: /\b((?:should|could|would|must|might|may) of)\b(?! course)/gi,
    why: 'It is “have”, as in “should have”.',
    instead: (match) => (match[1] ?? '').replace(/of$/i, 'have'),
  },
  {
    find: /\b(?:was|is|were|are|been|be|it|still|often|sometimes|far|much|bit) (to)(?= (?:short|long|hard|easy|quick|slow|late|early|loud|quiet|much|many|few|little|big|small|often|fast|difficult|shy|tired)\b)/gi,
    why: 'It is “too”, as in “too short”.',
    instead: word('too'),
  },
  {
    find: /\b(?:if|when|that|hope|glad|sure|while|as|where) (your)(?= (?:free|able|welcome|happy|interested|looking|going|not|in|at home|worried|unsure|ready)\b)/gi,
    why: '“Your” is what belongs to you; here it is “you’re”.',
    instead: word('you’re'),
  },
  {
    find: /\b(?:will|to|can|could|may|might|would|does not|doesn['’]t|did not|not) (effect)(?= (?:the|a|his|her|their|how|what|each|one|it)\b)/gi,
    why: 'To change something is to “affect” it.',
    instead: word('affect'),
  },
  {
    find: /\b(?:the|an|its|this|that|what|much|no|good|great) (affect)(?= (?:of|on|that|is|was)\b)/gi,
    why: 'What comes of something is its “effect”.',
    instead: word('effect'),
  },
  {
    find: /\b(less)(?= (?:mistakes|errors|reminders|words|pieces|books|tasks|marks|lessons|days|questions|answers|problems|steps|pages|friends|children|people)\b)/gi,
    why: 'What can be counted is “fewer”.',
    instead: word('fewer'),
  },
  {
    find: /\b(loose)(?= (?:the|his|her|their|interest|focus|heart|track|marks)\b)/gi,
    why: 'It is “lose”; “loose” is what is not tight.',
    instead: word('lose'),
  },
  {
    find: /\b(?:reads?|quotes?|facts?|words?|copies|comes?|learns?|learned|away|far|ideas?|letters?|numbers?|sentences?|back|out|taken|different|home) (form)(?= (?:the|a|an|his|her|their|memory|one|\d)\b)/gi,
    why: 'It is “from”.',
    instead: word('from'),
  },
  {
    find: /(?<!\b(?:could|can|to|will|should|would|must|still|and|they|we|you|or|please) )\b(practise)(?= (?:is|makes|was|helps|will|at home each|every|each)\b)|(?:\b(?:needs|more|some|little|regular|daily|of|with|extra) )(practise)\b(?! (?:his|her|their|the|reading|writing|spelling|it|more))/gi,
    why: 'The noun is “practice”.',
    instead: word('practice'),
  },
  // A verb that does not go with its subject.
  {
    find: /(?<!\b(?:if|though|wish|wishes|wished|did|does|do|can|could|will|would|should|must|may|might|let|lets|make|makes|made|help|helps|saw|see|sees|hear|heard|watch|had) )\b(?:he|she|it) (don['’]?t|haven['’]?t|aren['’]?t|were|have|do|are)\b/gi,
    why: 'This does not go with one person.',
    instead: (match) => ofOne[(match[1] ?? '').toLowerCase().replace(/['’]/g, '')] ?? match[1] ?? '',
  },
  {
    find: /\b(?:he|she|it|they|we|you|I|does|do|did|is|was|has|have|are|were|would|could|should) ?((?:does|do|did|is|was|has|have|are|were|would|could|should|ca|wo)nt)\b|\b((?:does|did|is|was|has|have|are|were|would|could|should|do|ca|wo)nt)\b(?<!wont)(?<!cant)/gi,
    why: 'There is no apostrophe here.',
    instead: (match) => (match[1] ?? match[2] ?? '').replace(/nt$/i, 'n’t'),
  },
  {
    find: /\b(?:each|every|one|none|neither|either) (?:one )?of (?:the|these|those|his|her|their|our) [\p{L}' ’-]{2,40}? (are|were|have|do)\b(?= (?:a|an|the|not|in|on|at|to|too|very|still|missing|been|always|\p{L}+(?:ed|ing|ly)\b))/giu,
    why: '“Each” and “one” take the verb of one.',
    instead: (match) => ofOne[(match[1] ?? '').toLowerCase()] ?? '',
  },
  {
    find: /\b(?:the|his|her|their|these|those|our|all|both) (?:\p{L}+ )?(?:results|answers|stories|drawings|ideas|graphs|tables|reports|methods|sentences|words|books|numbers|questions|facts|tests|letters|paragraphs|notes|sums|skills|marks|levels|pictures|poems|steps|maps|charts)(?: (?:in|of|on|about|for|from) (?:[\p{L}'’]+ ){0,2}[\p{L}'’]+)? (is|was|has|does)\b(?! (?:that|what|how|why|to|it)\b)/giu,
    why: 'Several things take the verb of several.',
    instead: (match) => ofSeveral[(match[1] ?? '').toLowerCase()] ?? '',
  },
  {
    find: /\b(?:has|have|had) (went|did|saw|wrote|began|forgot|took|gave|ate|ran|came|drew|chose|spoke|broke|grew|knew|fell|drove|rode|sang|swam|wore)\b/gi,
    why: 'After “has” the verb has another form.',
    instead: (match) => participles[(match[1] ?? '').toLowerCase()] ?? match[1] ?? '',
  },
  // A word that is missing.
  {
    find: new RegExp(`\\b(able (?!to\\b)(?:${verbs}))\\b`, 'gi'),
    why: '“To” is missing.',
    instead: (match) => (match[1] ?? '').replace(/^able /i, 'able to '),
  },
  {
    find: new RegExp(
      `\\b((?:likes|wants|needs|tries|hopes|begins|starts|learns|has begun|has started|is learning|was glad|is ready|ought) (?:${verbs}))\\b(?! and (?:likes|wants))(?<!needs help|needs work|needs practise|likes play|needs time|wants help|likes work)`,
      'gi',
    ),
    why: '“To” is missing.',
    instead: (match) => (match[1] ?? '').replace(/ (\p{L}+)$/u, ' to $1'),
  },
  {
    find: new RegExp(`\\b((?:would|should|['’]d) like (?:him|her|them) (?!to\\b)(?:${verbs}))\\b`, 'gi'),
    why: '“To” is missing.',
    instead: (match) => (match[1] ?? '').replace(/ (\p{L}+)$/u, ' to $1'),
  },
  {
    find: /\b((?:one|some|most|many|all|part|none|both|half) the)(?= (?:best|strongest|most|class|children|students|boys|girls|others|quickest|kindest|time|work|stories|tasks)\b)(?<!\b(?:all|both|half) the)/gi,
    why: '“Of” is missing.',
    instead: (match) => (match[1] ?? '').replace(/ the$/i, ' of the'),
  },
  {
    find: new RegExp(
      `\\b(?:is|was|has been|been|had|has|makes) ((?:${kinds}) (?:${people}|${stretches})|(?:${people}))(?=[ .,;!?])`,
      'giu',
    ),
    why: '“A” is missing.',
    instead: (match) => `a ${match[1] ?? ''}`,
  },
  {
    find: /\b((?:often|always|sometimes|usually|never|they|can) keep)(?= (?:when|while|if|even|until|till)\b)|\b((?:often|always|sometimes|usually|he|she) keeps)(?= (?:when|while|if|even)\b)/gi,
    why: 'Something is missing after “keep”.',
    instead: null,
  },
  {
    find: /\b(?:looking|look|looks) (forward) (?!to\b)(?=\p{L})/giu,
    why: '“To” is missing.',
    instead: word('forward to'),
  },
]

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
export const slipsOfTheHand: Check = ({ text }) =>
  slips.flatMap(({ find, why, instead }) =>
    [...text.matchAll(find)].map((match): Finding => {
      const words = match.slice(1).find((group) => group !== undefined) ?? match[0]
      const start = match.index + match[0].lastIndexOf(words)
      const end = start + words.length
      return { check: 'grammar', why, start, end, mends: instead ? [write(instead(match), start, end)] : [] }
    }),
  )
