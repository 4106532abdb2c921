import type { ClassRecord } from '../core/record/classRecord'
import { median } from '../core/marks/middle'
import { demoClass } from '../tests/outside/demoClass'
import { alderClass, littleKnownClass, sameRecord, thirtyClass, withTenLike } from '../tests/voice/classes'
import { measureVoice } from '../tests/voice/measureVoice'

// How composed comments read, class by class: what they claim, how alike they are, how they flow (docs/quality).
const classes: [string, ClassRecord, ReadonlySet<string>?][] = [
  ['demo class', demoClass()],
  ['6 Alder', alderClass()],
  ['thirty, ten of them alike', thirtyClass(), sameRecord],
  ['little known', littleKnownClass()],
]

for (const [name, record, among] of classes) {
  const { flow, ...figures } = measureVoice(record, among)
  console.log(`${name}: ${figures.comments} comments, ${figures.sentences} sentences`)
  console.log(
    [
      `  nobody recorded it ${figures.invented}; contradicted ${figures.contradicted};`,
      `children with a sentence twice ${figures.saidTwice}; nothing said ${figures.saysNothing}`,
    ].join(' '),
  )
  console.log(
    [
      `  pairs that share a sentence ${percent(figures.sharing)}, three ${percent(figures.sharingThree)};`,
      `most alike ${figures.mostAlike.toFixed(2)}${among ? ` among the ten (${byBox(figures.mostAlikeIn)})` : ''};`,
      `commonest skeleton “${figures.skeleton[0]}” ${percent(figures.skeleton[1])}`,
    ].join(' '),
  )
  console.log(
    [
      `  facts a sentence ${flow.factsPerSentence.toFixed(2)}; begins with the child ${percent(flow.beginsWithChild)},`,
      `at most ${flow.longestRun} running; words ${flow.wordsPerSentence.toFixed(1)},`,
      `spread ${flow.spread.toFixed(1)}; with a connective ${percent(flow.withConnective)}`,
    ].join(' '),
  )
}

// Ten with the same record, that of each child in turn: the most alike two of them, by box.
for (const [name, record, madeWith] of [
  ['6 Alder', alderClass(), (like: string) => thirtyClass(like)],
  ['the demo class', demoClass(), (like: string) => withTenLike(demoClass(), like)],
] as const) {
  const shares = record.students.flatMap(({ id }) => [...measureVoice(madeWith(id), sameRecord).mostAlikeIn])
  console.log(`ten like each child of ${name} in turn, most alike in the middle and at the most, at a half or above`)
  for (const { key } of record.boxes) {
    const own = shares.flatMap(([box, share]) => (box === key ? [share] : []))
    const over = own.filter((share) => share >= 0.5).length
    const [middle, most] = [median(own) ?? 0, Math.max(...own)]
    console.log(`  ${key} ${middle.toFixed(3)}, ${most.toFixed(3)}, ${over} of ${own.length}`)
  }
}

function percent(share: number): string {
  return `${(share * 100).toFixed(1)} %`
}

function byBox(alike: ReadonlyMap<string, number>): string {
  return [...alike].map(([box, share]) => `${box} ${share.toFixed(2)}`).join(', ')
}
