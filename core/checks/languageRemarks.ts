import type { Finding, Mend } from './finding'

/** A remark of a spelling and grammar checker, as far as Facunda looks at it. */
export interface LanguageRemark {
  /** The checker's name for the rule: "SpellCheck", "ItsContraction". */
  readonly rule: string
  readonly message: string
  readonly start: number
  readonly end: number
  readonly suggestions: readonly string[]
}

/** Rules of the checker that are not listened to, each with the reason. */
const dropped: Readonly<Record<string, string>> = {
  ...because('a teacher’s own way of writing is not a fault', [
    'Excellent',
    'FillerWords',
    'Hedging',
    'LongSentences',
    'RedundantThat',
    'Really',
    'VeryMuchSo',
    'DiscourseMarkers',
    'InMyOpinion',
    'ToBeHonest',
    'AtTheEndOfTheDay',
    'FairBit',
    'QuiteMany',
    'OxfordComma',
    'Regionalisms',
    'UseTitleCase',
    'WishCould',
    'SubjunctiveWasToWere',
    'ThatWhich',
    'WhomSubjectOfVerb',
    'MoreThanMeetsTheEye',
    'BestOfAllTime',
    'AvoidAndAlso',
    'GoodAt',
    'Furthermore',
    'However',
    'Whereas',
  ]),
  ...because('a check of our own says it, with the right word for this child', [
    'RepeatedWords',
    'Spaces',
    'QuoteSpacing',
    'UnclosedQuotes',
    'EllipsisLength',
    'UseEllipsisCharacter',
    'Dashes',
    'NoFrenchSpaces',
    'NumericRangeEnDash',
  ]),
  ...because('it takes nouns for verbs in plain sentences about what children do', [
    'MissingPreposition',
    'FindOut',
    'CompoundNouns',
    'OneOfTheSingular',
    'MassNouns',
    'MissingDeterminer',
  ]),
  ...because('it is about software, brands or places and sees them in school words', [
    'ClientOrServerSide',
    'CodeInWriteIn',
    'Backplane',
    'BuiltIn',
    'CompaniesProductsAndTrademarks',
    'ExpandThrough',
    'ExpandTimeShorthands',
    'ReadsAndWrites',
    'OnFloor',
  ]),
}

function because(reason: string, rules: readonly string[]): Record<string, string> {
  return Object.fromEntries(rules.map((rule) => [rule, reason]))
}

/**
 * A language checker's remarks as findings. The class's names and the school's words are spelled right by definition.
 * @param known names and words, in any case
 * @example
 * languageFindings([{ rule: 'SpellCheck', message: 'Did you mean “read”?', start: 5, end: 8, suggestions: ['read'] }],
 *   'Maya rad.', new Set(['maya'])) // one finding “spelling” with the mend “Write “read””
 */
export function languageFindings(
  remarks: readonly LanguageRemark[],
  text: string,
  known: ReadonlySet<string>,
): Finding[] {
  return remarks
    .filter(
      ({ rule, start, end }) => !(rule in dropped) && !(rule === spelling && isKnown(text.slice(start, end), known)),
    )
    .map(({ rule, message, start, end, suggestions }) => ({
      check: rule === spelling ? 'spelling' : 'grammar',
      why: message,
      start,
      end,
      mends: suggestions
        .slice(0, 3)
        .map((words): Mend => ({ label: words === '' ? 'Leave it out' : `Write “${words}”`, start, end, text: words })),
    }))
}

const spelling = 'SpellCheck'

function isKnown(words: string, known: ReadonlySet<string>): boolean {
  const bare = words.toLocaleLowerCase('en').replace(/[’']s?$/, '')
  return known.has(bare) || bare.split('-').every((part) => known.has(part))
}
