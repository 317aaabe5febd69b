/** A piece of mark-up that was written by `html`, and nothing that somebody typed. */
export interface Html {
  readonly markup: string
}

const SAFE: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
}

type Part = string | number | null | undefined | false | Html | readonly Part[]

const written = (part: Part): string => {
  if (part === null || part === undefined || part === false) return ''
  if (Array.isArray(part)) return (part as readonly Part[]).map(written).join('')
  if (typeof part === 'object') return (part as Html).markup
  return String(part).replace(/[&<>"']/g, (sign) => SAFE[sign]!)
}

/** Mark-up with what is put into it escaped, whatever it is; pieces that `html` wrote go in as they are. */
export const html = (text: TemplateStringsArray, ...parts: Part[]): Html => ({
  markup: text.map((piece, i) => (i < parts.length ? piece + written(parts[i]) : piece)).join(''),
})
