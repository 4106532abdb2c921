// What is used of two packages that come without types.
declare module 'bidi-js' {
  interface Bidi {
    /** Levels by UTF-16 unit; odd from right to left. */
    getEmbeddingLevels: (text: string, direction?: 'ltr' | 'rtl') => { levels: Uint8Array }
    getMirroredCharacter: (sign: string) => string | null
  }
  export default function bidiFactory(): Bidi
}

declare module 'linebreak' {
  /** Places where a line may end, by UAX #14. */
  export default class LineBreaker {
    constructor(text: string)
    nextBreak(): { position: number; required?: boolean } | null
  }
}
