/** Ink on drafting paper, and the same sheet as a blueprint. Checked as numbers in `tokens.test.ts`. */
export interface Tokens {
  paper: string
  board: string
  ink: string
  /** measured and not yet confirmed; also words of second rank */
  pencil: string
  red: string
  green: string
  blue: string
  /** thin lines that only part things */
  rule: string
  /** lines that carry meaning: band edges, field lines */
  line: string
  tint: string
  hatch: string
  onInk: string
}

export const light: Tokens = {
  paper: '#fdfbf4',
  board: '#f0ede2',
  ink: '#16273a',
  pencil: '#5b6672',
  red: '#c22f16',
  green: '#1d6a54',
  blue: '#0b5fa5',
  rule: '#cdc9ba',
  line: '#7d8590',
  tint: '#e3ecf1',
  hatch: '#b9b7aa',
  onInk: '#fdfbf4',
}

export const dark: Tokens = {
  paper: '#10304d',
  board: '#0b2136',
  ink: '#e4eef6',
  pencil: '#afc1d0',
  red: '#ff9a82',
  green: '#7fd6b4',
  blue: '#8cc8ff',
  rule: '#335472',
  line: '#7f9cb5',
  tint: '#1d456a',
  hatch: '#426586',
  onInk: '#10304d',
}

export const css = (tokens: Tokens): string =>
  Object.entries(tokens)
    .map(([name, value]) => `--${name}: ${value};`)
    .join(' ')
