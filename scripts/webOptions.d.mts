export function webOptions(): string[]
