/** Measures and inks of a printed report, in points. */
export const style = {
  margin: { top: 42, bottom: 52, left: 54, right: 54 },
  ink: '#1E2733',
  muted: '#5A6472',
  accent: '#0F5C63',
  rule: '#CFC8BA',
  text: 10.2,
  small: 8.5,
  heading: { 1: 22, 2: 13, 3: 11 },
  cellPadding: 2.2,
} as const
