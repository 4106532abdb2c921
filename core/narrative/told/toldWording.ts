import { capitalised } from '../capitals'
import type { RatedFact } from '../because'
import { skillsTogether, type SkillWords } from '../skillWords'

/** A wording of what is told: the same id for the same shape, whoever it is said of. */
export interface ToldWording {
  readonly id: string
  /** In the notation, without a full stop. */
  readonly text: string
}

/** What the sentences of a box name besides the skills. */
export interface ToldSetting {
  /** "mathematics"; null in the general comment. */
  readonly subject: string | null
  /** "the autumn", "the first semester"; null where no term before is known. */
  readonly termBefore: string | null
  /** How many skills the box has, rated or not. */
  readonly of: number
  /** How many of them are rated; how many of those went up, went down, and stand as difficulties. */
  readonly rated: number
  readonly up: number
  readonly down: number
  readonly low: number
}

/** The words of several skills in one breath. */
export interface WordsTogether extends SkillWords {
  /** What is done of none of them fully: "read or write". */
  readonly doAny: string
}

export function together(facts: readonly RatedFact[]): WordsTogether {
  return {
    does: inOneBreath(facts, 'does'),
    do: inOneBreath(facts, 'do'),
    doing: inOneBreath(facts, 'doing'),
    doAny: inOneBreath(facts, 'do', 'or'),
  }
}

/** The same of what is seldom done. */
export function anyOf(facts: readonly RatedFact[]): SkillWords {
  return {
    does: inOneBreath(facts, 'does', 'or'),
    do: inOneBreath(facts, 'do', 'or'),
    doing: inOneBreath(facts, 'doing'),
  }
}

function inOneBreath(facts: readonly RatedFact[], form: keyof SkillWords, by?: 'and' | 'or'): string {
  return skillsTogether(
    facts.map(({ words }) => words?.[form] ?? ''),
    by,
  )
}

/** A count in words up to ten. @example numberWord(3) // 'three'; numberWord(12) // '12' */
export function numberWord(count: number): string {
  return ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'][count] ?? String(count)
}

const teens = ['ten', 'eleven', 'twelve'].concat(
  ['thir', 'four', 'fif', 'six', 'seven', 'eigh', 'nine'].map((each) => `${each}teen`),
)
const tens = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety']

/** What a sentence begins with: never with figures. @example atFront('13 of 19') // 'Thirteen of 19' */
export function atFront(said: string): string {
  return capitalised(
    said.replace(/^[1-9]\d(?!\d)/, (figures) => {
      const [ten, one] = [Number(figures[0]), Number(figures[1])]
      return ten === 1 ? (teens[one] ?? figures) : `${tens[ten - 2]}${one === 0 ? '' : `-${numberWord(one)}`}`
    }),
  )
}

/** How far something moved, in words. @example stepsOf(-2) // 'two steps' */
export function stepsOf(moved: number): string {
  return Math.abs(moved) === 1 ? 'a step' : `${numberWord(Math.abs(moved))} steps`
}

/** A sentence of more words is taken only where there is no shorter one. */
export const mostInOneBreath = 24

/** The wordings that can be read in one breath; all where none can. */
export function readInOneBreath(
  wordings: readonly ToldWording[],
  mostWords: number = mostInOneBreath,
): readonly ToldWording[] {
  const short = wordings.filter(({ text }) => text.split(' ').length <= mostWords)
  return short.length > 0 ? short : wordings
}
