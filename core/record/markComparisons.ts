import type { MarkProposal } from './markProposal'

/** What a proposal can be compared with: how each is called, in a column and in a line, and where it is found. */
export const markComparisons = {
  mostRecent: { title: 'Most recent', short: 'recent', found: (proposal) => proposal.mostRecent },
  median: { title: 'Median', short: 'median', found: (proposal) => proposal.median },
  mostFrequent: { title: 'Most often', short: 'often', found: (proposal) => proposal.mostFrequent ?? null },
  recencyWeighted: { title: 'Newer heavier', short: 'newer heavier', found: (proposal) => proposal.recencyWeighted },
  informing: { title: 'Only informing', short: 'informing', found: (proposal) => proposal.informing },
  lastTerm: { title: 'Last term', short: 'last term', found: (proposal) => proposal.lastTerm },
} as const satisfies Record<
  string,
  {
    readonly title: string
    readonly short: string
    /** A percentage, or a level's symbol. */
    readonly found: (proposal: MarkProposal) => number | string | null
  }
>

export type MarkComparison = keyof typeof markComparisons
export const everyMarkComparison = Object.keys(markComparisons) as [MarkComparison, ...MarkComparison[]]
