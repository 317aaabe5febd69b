import { createGlobalStyle } from 'styled-components'
import { css, dark, light } from './tokens'

const words = "'Barlow', system-ui, sans-serif"
export const narrow = "'Barlow Semi Condensed', 'Barlow', system-ui, sans-serif"
export const figures = "'JetBrains Mono', ui-monospace, monospace"

export const GlobalStyle = createGlobalStyle`
  :root { ${css(light)} color-scheme: light; }
  :root[data-sheet='dark'] { ${css(dark)} color-scheme: dark; }
  @media print { :root, :root[data-sheet='dark'] { ${css(light)} color-scheme: light; } }

  *, *::before, *::after { box-sizing: border-box; }
  html, body, #root { height: 100%; }
  body { margin: 0; background: var(--board); color: var(--ink); font: 400 16px/1.4 ${words}; -webkit-font-smoothing: antialiased; }
  h1, h2, h3, p, ul, ol, dl, dd, figure { margin: 0; padding: 0; }
  ul, ol { list-style: none; }
  button, input, select, textarea { font: inherit; color: inherit; }
  a { color: inherit; }
  :focus-visible { outline: 3px solid var(--blue); outline-offset: 2px; }
  b, strong { font-weight: 600; }
  .figures { font-family: ${figures}; letter-spacing: -0.02em; font-feature-settings: 'zero'; }
  .frac { font-family: ${narrow}; font-feature-settings: 'frac'; font-size: 1.12em; letter-spacing: 0; }
  .visually-hidden { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; } }
`
