import { oneOf } from '../../text/pattern'
import { pluralVerb } from '../verbs'

/**
 * Verbs that teachers write of students, as they follow "she". Ours; a verb that is not here is left as plain words,
 * which a click corrects.
 */
const singulars =
  `is has was does goes needs finds uses reads keeps says works gives writes knows explains shows asks takes plays
follows makes looks joins remembers brings puts plans listens begins understands tells measures finishes chooses
checks spells notices gets describes compares adds tries stays moves draws comes sees repeats names loses links helps
hears throws spots produces mixes manages likes loves learns fills completes builds applies watches wants turns stops
starts sorts solves shares runs records reaches picks multiplies leaves leads improves holds hands handles forgets
estimates enjoys corrects converts changes catches calculates breaks answers accepts wins waits varies treats tires
thinks thanks tests talks swims sums suggests subtracts sounds slows shapes settles sets rounds rolls revises retells
recognises recalls punctuates proves proofreads presents prefers predicts practises practices points pays passes owns
orders opens offers mends lists lines lands labels jumps guesses groups gathers encourages divides develops decides
dares counts closes claps carries borrows becomes backs achieves acts admits agrees allows analyses appears
appreciates argues arrives asserts attempts attends avoids behaves believes benefits blends calls cares challenges
cheers climbs collaborates collects combines comments communicates concentrates concludes considers constructs
contributes copes copies creates cuts deals demonstrates depends deserves designs discovers discusses displays drafts
dreams earns edits engages ensures enters evaluates excels exceeds experiments explores expresses feels fits focuses
forms gains generalises grasps grows guides happens identifies ignores illustrates imagines includes inspires
interprets invents investigates invites judges lacks laughs lets lifts lives masters matches meets models observes
organises organizes paints participates performs persists perseveres persuades possesses prepares progresses promises
pronounces proposes provides pushes questions raises reacts realises reasons receives reflects relates relies reminds
reports represents requires researches respects responds rushes seeks seems selects sends shines signs sings sits
speaks spends spreads stands states strengthens strives struggles studies succeeds supports supposes teaches tends
touches traces trusts values views visits volunteers walks welcomes wishes wonders worries lasts files surprises
expects boasts hides dives sticks fetches aims adapts adjusts advises affects aids amazes anticipates apologises
applauds approaches arranges assesses assists assumes attains bakes balances bases beats bends blows boosts bounces
bows breathes brushes bumps calms camps captures casts ceases celebrates charms chats chews clarifies classifies
cleans clears clings coaches collapses colours comforts commits competes complains composes confides confirms confuses
congratulates connects consults contains contrasts converses convinces cooks cooperates crafts crosses cries dances
debates decorates defends defines delivers demands denies departs despairs detects determines digests directs
disagrees discards dislikes distinguishes distracts doubles doubts drifts drills drinks drives drops eases eats echoes
edges elaborates eliminates embraces encounters endures enriches equals escapes examines exchanges excites excludes
excuses executes exercises exhibits exists expands extends faces fades fails falls favours fears feeds fights figures
flies floats flows folds forces forgives frames freezes fulfils functions gazes gestures glances glues graphs greets
guards hammers hangs hesitates highlights hints hits hikes hums hurries inspects insists instructs intends interacts
interests interrupts introduces jokes jots juggles justifies kicks kneels knits knocks lays leans leaps lends lights
locates locks longs lowers maintains marks minds mimics misses mistakes narrates negotiates nods notes nurtures obeys
objects obtains occupies omits opposes outlines overcomes overlooks packs pairs pauses peels perceives perfects
permits pins places plots plants pleases pours pulls puzzles quotes races radiates rates rattles rebuilds recites
recommends recovers recycles reduces refers refines refuses regroups rehearses reinforces rejects relaxes releases
remains remarks removes renames repairs rephrases replaces replies rereads rescues reserves resists resolves rests
restores restates results retains returns reveals revisits rewards rewrites rides rings rises risks roams rubs rules
samples satisfies saves scans scores scribbles searches senses separates serves shades shakes sharpens shifts shortens
shouts shrugs shuts sifts simplifies skips sketches sleeps slides slips smiles sparkles sparks spills spins splits
sprints squeezes stacks stammers stares steers stirs stitches stores strays stresses stretches stumbles summarises
supplies surveys sustains sweeps swings switches tackles tallies tames tastes tears teases tempts thrives ties tilts
tolerates tops tracks trains transfers transforms translates travels trims trips tunes twists types underlines
unites unlocks updates upsets urges utilises vanishes ventures verifies voices votes wades wakes warns wastes waves
weaves weighs whispers whistles widens wipes withdraws witnesses wraps yields zooms praises means hunts empties warms
tidies ends belongs differs hopes matters accompanies acquires alerts amuses announces annotates approves assembles
attaches awaits begs blinks blurts blushes braids budgets buttons buys categorises chairs chatters chuckles cites
clicks clips codes commemorates compiles compliments comprehends compromises computes conducts consoles continues
contradicts controls crawls criticises crouches curls dashes dawdles daydreams deciphers decodes deduces
delegates delights devises dictates digs dips disappears disproves disrupts distributes disturbs dodges doodles
downloads drags dresses dribbles dries dusts emphasises enlarges entertains erases exaggerates exclaims extracts
fastens fiddles fidgets filters fixes flicks flips flourishes fumbles giggles gossips grabs grins grips grumbles
halves harvests heats hops hosts hugs hypothesises imitates impresses indicates infers influences informs inserts
interferes interviews jogs jumbles laminates lectures lengthens limits loads magnifies mediates memorises mentions
mentors mimes misbehaves misjudges misreads misspells mocks modifies monitors motivates mumbles muddles murmurs
mutters nominates notates nudges operates opts overestimates overuses paces paddles panics paraphrases pastes patches
pats pedals peers pesters photographs pilots pitches pivots polishes ponders poses postpones pretends prevents prints
probes programs prompts protects protests prunes publishes pumps pursues quarrels queues rakes rambles
rearranges reassures reckons redoes redrafts regards regrets remedies reorders resembles restarts reuses
reverses rhymes rinses rotates sacrifices sails scares scatters schedules scolds scoops scrapes scratches screams
scrubs sells sews shivers shoots shrinks shuffles sighs signals sinks skates slices slouches smells snaps sniffs soaks
soothes speculates speeds splashes sprinkles squeaks stamps staples steadies steals stimulates straightens strips
strolls strokes strums stutters submits substitutes suffers sulks supervises swaps tabulates taps threads
tickles tosses totals trades trembles triples trots tucks tugs tumbles uncovers underestimates undertakes
undoes unfolds unpacks untangles uploads wanders washes waters wears weeds whisks wiggles winds winks wobbles
wrestles wriggles yawns yells steps accommodates accomplishes acknowledges adopts advances affords alters associates
assures astonishes attracts befriends bothers brakes brightens broadens buries chants charges chimes chops commences
complicates conceals conceives conforms confronts consists conveys costs covers crams craves cultivates cycles dampens
dates dazzles declares dedicates deepens delays depicts detaches details diagnoses disappoints discerns dismantles
dominates embarks embarrasses emerges empowers enables enhances equips establishes evolves exerts exhausts explodes
exposes falters fascinates flatters flees flutters frets generates gifts glides glows governs grieves harms heals
hoards hooks hushes increases initiates inquires insults integrates intimidates invests involves irritates
isolates jolts jostles launches lightens lingers loosens manufactures markets melts messages mines mourns nags nails
naps navigates neglects nibbles nourishes nurses outgrows overdoes overreacts oversees overwhelms owes
packages parks perches plunges pokes portrays positions potters preaches promotes prospers provokes
punishes qualifies quits rallies raps reconciles refocuses refreshes registers regulates rejoices rejoins relieves
renders renews requests resents restrains rethinks revives revolves ripens rummages scampers scouts screens sculpts
scurries seals seats shadows shatters shields shocks shops shoves simulates skims snatches sneaks soars
sobs specialises spoils squabbles squashes squints squirms stages stains stalls startles stiffens stomps stuns summons
suppresses surrounds survives suspects swallows sways swells swoops tags tailors targets threatens thrills thumps
ticks tightens tinkers toughens trails traps troubles trudges twirls undergoes unifies unties unwinds upholds
validates veers waffles wails weakens whines wields winces worsens yearns zigzags hasn't isn't wasn't doesn't`.split(
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
  `needs steps uses works plans checks answers names plays talks walks looks shows shares records rounds rolls tests
sounds shapes sets points passes orders offers lists lines labels jumps guesses groups counts changes calls cares acts
comments copies cuts deals designs displays drafts dreams experiments forms guides judges matches models paints
promises questions reasons reports respects signs states studies supports traces values views visits wishes worries
runs measures moves links hands starts stops turns leaves throws catches draws claims closes repeats rests tries aims
balances bases beats bends boosts bounces bows brushes bumps camps casts charms chats cheers coaches colours crosses
cries dances debates demands doubles doubts drifts drills drinks drives drops echoes edges equals escapes exchanges
excuses exercises exhibits faces fails falls favours fears feeds fights figures finds flies floats flows folds forces
frames functions gestures glances graphs guards hammers hikes hints hits hums interests jokes kicks knocks leaps
lights locks longs marks masters minds misses mistakes notes objects outlines packs pairs pauses pays pins places
plots plants pulls puzzles quotes races rates recycles rejects releases remains remarks repairs replies results
returns rewards rides rings rises risks roams rubs rules samples saves scans scores scribbles searches senses serves
shades shakes shifts shouts shrugs skips sketches slides slips smiles sparks spills spins splits sprints stacks stares
stays stirs stitches stores strays stresses stretches stumbles supplies surveys sweeps swings switches tastes tears
teases ties tilts tops tracks trains transfers travels trims trips tunes twists types updates upsets urges
voices votes wakes wastes waves whispers whistles wraps yields dives sticks hides blinks braids budgets buttons chairs
clicks clips codes compliments compromises conducts controls curls dashes delights dips doodles downloads dresses
dusts extracts filters fixes flips giggles gossips grabs grips halves harvests heats hops hosts hugs influences
interviews jogs lectures limits loads mentions mentors mimes monitors mumbles murmurs nudges paces paddles panics
pastes patches pats pedals peers photographs pilots pitches pivots poses prints probes programs prompts protests pumps
quarrels queues rakes regards regrets remedies reverses rhymes sacrifices sails scares schedules scoops
scrapes scratches screams shuffles sighs signals sinks skates slices smells snaps sniffs speeds splashes stamps
staples strips strolls strokes substitutes swaps taps threads tosses totals trades triples trots tugs tumbles
uploads washes waters weeds whisks winks wrestles yawns yells advances brakes chants charges costs covers cycles dates
delays details gifts hooks increases insults launches markets messages mines nails naps packages parks perches
pokes positions raps registers requests scouts screens seals seats shadows shields shocks shops squabbles
stages stains stalls swallows tags targets thrills thumps ticks trails traps troubles twirls whines zigzags sums gains
breaks spots wins ends hopes matters files lands practices touches stands spreads handles likes mixes rescues wonders
lifts surprises benefits challenges presents thanks blows holds leads dislikes hunts`.split(/\s+/),
)

/** Words that can stand between a subject and its verb. */
export const betweenSubjectAndVerb = oneOf(
  String.raw`also always often usually sometimes never seldom rarely already still now just really soon then generally
    mostly not only both either neither ever even first once longer no \p{L}+ly`,
  'iu',
)

/** Past forms that follow no rule, the same for everybody; from memory. */
export const irregularPast: ReadonlySet<string> = new Set(
  `had did went came began forgot read wrote drew made took gave got found knew thought kept left led told said saw
sang ran won lost chose grew held met put set spoke spent stood taught understood built brought sat swam threw
caught broke fell felt heard hid bought swept dealt bent lent dug fed fought flew paid rode rose shook shone slept
spelt stuck swung woke wore arose ate awoke beat became bit bled blew bore bound burnt burst cast clung cost crept
cut dreamt drank drove fled froze forgave ground hung hit hurt knelt laid leant leapt learnt lay lit lost meant
mistook misread overcame proved redid retold rewrote rang rid sank sent sewed shot shut slid spat sped spilt spun
split spread sprang stole stung stank strode struck swore swelled tore thrust trod undid underwent upset wept wound
withdrew withstood wove flung forbade forecast foresaw foretold handwrote misheard mislaid misunderstood outgrew
overdid overheard oversaw overslept proofread rebuilt redrew regrew remade repaid reran reread reset retaught
rethought retook rewound shrank sight-read slung sold sought strung undertook unwound upheld withheld wrung`.split(
    /\s+/,
  ),
)

/** Others whom "he" or "she" may well mean, when they have just been spoken of: "one of the boys said that he". */
export const whoElse: Readonly<Record<string, RegExp>> = {
  he: /\b(boys?|brothers?|fathers?|dad|grandfather|grandpa|uncle|m[ae]n|mr|king|prince)\b/,
  she: /\b(girls?|sisters?|mothers?|mum|grandmother|gran|aunt|wom[ae]n|mrs|ms|miss|queen|princess)\b/,
}
