import { refuse, type Result } from '../base/refusal/index.ts'

/** A mark as it was read: per place one character, several that it might be, unreadable, or a run that is gone. */
export type Token = { kind: 'one' | 'either'; symbols: number[] } | { kind: 'unreadable' } | { kind: 'run' }

export const ALPHABET = '0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ-'
export const HYPHEN = 36

const GROUPS = '0ODQ 17I 8B3 5S 6G 2Z 4A 9P PR CG EF HN MW UV JU KX TY LI'.split(' ')

/** For each symbol the symbols that wear makes of it. */
export const LOOKALIKES: readonly (readonly number[])[] = [...ALPHABET].map((symbol, index) => {
  const others = new Set<number>()
  for (const group of GROUPS)
    if (group.includes(symbol)) for (const other of group) others.add(ALPHABET.indexOf(other))
  others.delete(index)
  return [...others]
})

/**
 * Reads a mark as typed: letters, figures and `-`; `.` for a character that cannot be read, `1/7` for one of several, `...` for several
 * that are missing. Logs of earlier versions have `?`, `[17]` and `…` for these, and read the same. Case and spaces do not matter.
 * Refuses `mark` for anything else, naming the character.
 */
export function readMark(text: string): Result<Token[]> {
  const typed = text.toUpperCase().replaceAll('...', '…').replace(/\s+/g, '').replace(/[–—−]/g, '-')
  const tokens: Token[] = []
  const characters = [...typed]
  for (let i = 0; i < characters.length; i++) {
    const character = characters[i]!
    if (character === '?' || character === '.') tokens.push({ kind: 'unreadable' })
    else if (character === '…') tokens.push({ kind: 'run' })
    else if (character === '[') {
      const end = characters.indexOf(']', i)
      if (end < 0) return refuse('mark', 'A bracket is not closed. Type either-or characters as 3/8.')
      const members = characters.slice(i + 1, end)
      if (members.length === 0)
        return refuse(
          'mark',
          'The brackets are empty. Type either-or characters as 3/8, an unreadable one as a point.',
        )
      const symbols: number[] = []
      for (const member of members) {
        const index = ALPHABET.indexOf(member)
        if (index < 0) return refuse('mark', strange(member))
        if (!symbols.includes(index)) symbols.push(index)
      }
      tokens.push({ kind: symbols.length > 1 ? 'either' : 'one', symbols })
      i = end
    } else if (character === '/') {
      const before = tokens.at(-1)
      const index = ALPHABET.indexOf(characters[++i] ?? ' ')
      if (!before || !('symbols' in before) || index < 0)
        return refuse('mark', 'A stroke needs a character on each side, such as 1/7.')
      if (!before.symbols.includes(index)) before.symbols.push(index)
      before.kind = 'either'
    } else {
      const index = ALPHABET.indexOf(character)
      if (index < 0) return refuse('mark', strange(character))
      tokens.push({ kind: 'one', symbols: [index] })
    }
  }
  return tokens
}

const strange = (character: string) =>
  `“${character}” is not on any casting. Type letters, figures and hyphens; a point for an unreadable character, 3/8 for one of two, ... for several missing.`

/** A list number as symbols; what is outside the alphabet (a space, a slash) is passed over. */
export const symbolsOf = (text: string): number[] =>
  [...text.toUpperCase()].map((character) => ALPHABET.indexOf(character)).filter((index) => index >= 0)
