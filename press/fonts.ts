import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'

const require = createRequire(import.meta.url)

function fontFile(family: string, weight: string, file: string): string {
  return join(dirname(require.resolve(`@expo-google-fonts/${family}/package.json`)), weight, file)
}

/** The fonts that reports are set in: whole TrueType files, of which each PDF embeds what it uses. */
export const fonts = {
  text: fontFile('literata', '400Regular', 'Literata_400Regular.ttf'),
  label: fontFile('atkinson-hyperlegible-next', '400Regular', 'AtkinsonHyperlegibleNext_400Regular.ttf'),
  strong: fontFile('atkinson-hyperlegible-next', '600SemiBold', 'AtkinsonHyperlegibleNext_600SemiBold.ttf'),
} as const

export type FontRole = keyof typeof fonts
