import type { Category } from './work'

/**
 * What a new category weighs among others: as much as they do on average; 1 where there are none.
 * @example usualWeight([{ weight: 30 }, { weight: 50 }]) // 40
 */
export function usualWeight(categories: readonly Pick<Category, 'weight'>[]): number {
  return categories.length === 0 ? 1 : categories.reduce((sum, { weight }) => sum + weight, 0) / categories.length
}
