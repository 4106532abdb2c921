import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import * as fontkit from 'fontkit'

const require = createRequire(import.meta.url)

function fontFile(family: string, weight: string, file: string): string {
  return join(dirname(require.resolve(`@expo-google-fonts/${family}/package.json`)), weight, `${file}_${weight}.ttf`)
}

/** What a text is in a report, each with a face of its own. */
export type FontRole = 'text' | 'label' | 'strong'

/**
 * A face by the name under which a PDF knows it, with its file: a whole TrueType font, of which a PDF embeds what it
 * uses.
 */
export interface Face {
  readonly name: string
  readonly file: string
}

/** The faces that reports are set in, for all that they have signs for. */
export const ownFaces: Readonly<Record<FontRole, Face>> = {
  text: { name: 'text', file: fontFile('literata', '400Regular', 'Literata') },
  label: { name: 'label', file: fontFile('atkinson-hyperlegible-next', '400Regular', 'AtkinsonHyperlegibleNext') },
  strong: { name: 'strong', file: fontFile('atkinson-hyperlegible-next', '600SemiBold', 'AtkinsonHyperlegibleNext') },
}

/** The families that take over, by the script they are for. The last is tried for everything. */
const families = [
  { family: 'noto-sans-hebrew', file: 'NotoSansHebrew', scripts: /\p{Script=Hebrew}/u },
  { family: 'noto-sans-arabic', file: 'NotoSansArabic', scripts: /\p{Script_Extensions=Arabic}/u },
  { family: 'noto-sans-kr', file: 'NotoSansKR', scripts: /\p{Script=Hangul}/u },
  {
    family: 'noto-sans-sc',
    file: 'NotoSansSC',
    scripts: /[\p{Script_Extensions=Han}\p{Script_Extensions=Hiragana}\p{Script_Extensions=Katakana}]/u,
  },
  { family: 'noto-sans-devanagari', file: 'NotoSansDevanagari', scripts: /\p{Script_Extensions=Devanagari}/u },
  { family: 'noto-sans-bengali', file: 'NotoSansBengali', scripts: /\p{Script_Extensions=Bengali}/u },
  { family: 'noto-sans-tamil', file: 'NotoSansTamil', scripts: /\p{Script_Extensions=Tamil}/u },
  { family: 'noto-sans-gurmukhi', file: 'NotoSansGurmukhi', scripts: /\p{Script_Extensions=Gurmukhi}/u },
  { family: 'noto-sans-thai', file: 'NotoSansThai', scripts: /\p{Script=Thai}/u },
  { family: 'noto-sans-ethiopic', file: 'NotoSansEthiopic', scripts: /\p{Script=Ethiopic}/u },
  { family: 'noto-sans-armenian', file: 'NotoSansArmenian', scripts: /\p{Script=Armenian}/u },
  { family: 'noto-sans-georgian', file: 'NotoSansGeorgian', scripts: /\p{Script_Extensions=Georgian}/u },
  { family: 'noto-sans', file: 'NotoSans', scripts: /./su },
].map(({ family, file, scripts }) => ({
  scripts,
  regular: faceOf(family, file, '400Regular'),
  strong: faceOf(family, file, '600SemiBold'),
}))

function faceOf(family: string, file: string, weight: string): Face {
  return { name: `${family} ${weight}`, file: fontFile(family, weight, file) }
}

const opened = new Map<string, fontkit.Font>()

function fontOf({ file }: Face): fontkit.Font {
  const known = opened.get(file)
  if (known) return known
  const font = fontkit.openSync(file)
  if (!('hasGlyphForCodePoint' in font)) throw new Error(`${file} is a collection of fonts, not one.`)
  opened.set(file, font)
  return font
}

/** How far a face rises above the base line, in parts of its size. */
export function ascentOf(face: Face): number {
  const { ascent, unitsPerEm } = fontOf(face)
  return ascent / unitsPerEm
}

/** Whether a face has a sign for every character of a text. */
export function hasSignsFor(face: Face, text: string): boolean {
  const font = fontOf(face)
  for (const sign of text) {
    if (!font.hasGlyphForCodePoint(sign.codePointAt(0) ?? 0)) return false
  }
  return true
}

/**
 * The face that a sign (a character with its accents) is set in: the role's own, else the one for its script.
 * @returns undefined when no face has it
 */
export function faceFor(sign: string, role: FontRole): Face | undefined {
  const own = ownFaces[role]
  if (hasSignsFor(own, sign)) return own
  return families
    .filter(({ scripts }) => scripts.test(sign))
    .map(({ regular, strong }) => (role === 'strong' ? strong : regular))
    .find((face) => hasSignsFor(face, sign))
}
