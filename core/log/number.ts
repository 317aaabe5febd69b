// Nineteen, a prime, without the letters that read as figures.
const LETTERS = 'ABCDEFGHJKLMNPRTUVW'

/**
 * The check letter of a job's number: its digits weighted 2, 3, 4 … from the right, modulo 19.
 * Finds any one wrong digit and any two neighbours swapped. */
export function checkLetter(number: number): string {
  let sum = 0
  let weight = 2
  for (const digit of [...String(number)].reverse()) sum += Number(digit) * weight++
  return LETTERS[sum % LETTERS.length]!
}

export const showNumber = (number: number): string => `${number}${checkLetter(number)}`

/** Reads `1187`, `1187K` or `1187-k`; null where it is no job number, or its letter does not fit. */
export function readNumber(text: string): { number: number; letterFits: boolean } | null {
  const read = /^\s*(\d{1,9})\s*-?\s*([A-Za-z])?\s*$/.exec(text)
  if (!read) return null
  const number = Number(read[1])
  return { number, letterFits: !read[2] || read[2].toUpperCase() === checkLetter(number) }
}
