import type { Category } from '../../marks/work'

const share = /^(.*\S)\s*(?:[([]\s*(?:weight\s+)?(\d+(?:[.,]\d+)?)\s*%?\s*[)\]]|\s(\d+(?:[.,]\d+)?)\s*%)$/i
const isWeight = /%|weight/i

/**
 * A category as a table names it, its weight parted from its name; a number in brackets alone is part of the name.
 * @example partedCategory('Homework (30%)') // { name: 'Homework', weight: 30 }
 * @example partedCategory('Tests (2)') // { name: 'Tests (2)', weight: null }
 */
export function partedCategory(written: string): { name: string; weight: number | null } {
  const [whole = '', name, bracketed, bare] = share.exec(written.trim()) ?? []
  const figure = bracketed ?? bare
  if (name === undefined || figure === undefined || !isWeight.test(whole.slice(name.length))) {
    return { name: written.trim(), weight: null }
  }
  return { name, weight: Number(figure.replace(',', '.')) }
}

/** @example categoryWithWeight({ name: 'Homework', weight: 30 }) // 'Homework (weight 30)' */
export function categoryWithWeight({ name, weight }: Pick<Category, 'name' | 'weight'>): string {
  return `${name} (weight ${weight})`
}
