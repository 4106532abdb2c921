declare module 'indefinite' {
  export default function indefinite(word: string, options?: { articleOnly?: boolean }): string
}
