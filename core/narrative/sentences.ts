const segmenter = new Intl.Segmenter('en', { granularity: 'sentence' })

/**
 * A text's sentences with their places, without the spaces between them (UAX 29, as the Unicode CLDR tailors it).
 * @example sentencesOf('She adds. Well done.') // [{ text: 'She adds.', start: 0, end: 9 }, { text: 'Well done.',
 * start: 10, … }]
 */
export function sentencesOf(text: string): { text: string; start: number; end: number }[] {
  return [...segmenter.segment(text)].flatMap(({ segment, index }) => {
    const words = segment.trim()
    const start = index + segment.length - segment.trimStart().length
    return words === '' ? [] : [{ text: words, start, end: start + words.length }]
  })
}
