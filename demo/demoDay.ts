/** The day on which the demo stands still, nine days before its comments are due; work and notes lie before it. */
export const demoDay = '2026-11-30'
