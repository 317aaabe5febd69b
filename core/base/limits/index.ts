import * as v from 'valibot'

/**
 * One table of what is taken, whichever way it comes in: typed at the bench, edited in the shop, in a catalogue, in a unit's file. What
 * one door lets in, the next one does not refuse.
 */
export const MOST = {
  /** numbers and codes: of a part, a gauge, a kit, a supplier, a list number, a position */
  code: 60,
  /** a person's name */
  person: 60,
  /** what a part, a gauge, a model is called */
  name: 80,
  /** a customer, an engine, its equipment */
  customer: 120,
  /** a line of words beside a thing */
  words: 300,
  positions: 400,
  settings: 200,
  /** points of one outline */
  points: 2000,
} as const

/** Text that a database and a page can hold: no zero character, no half of a character. */
export const isCleanText = (text: string): boolean => !text.includes('\0') && !/\p{Surrogate}/u.test(text)

export const UNCLEAN_SENTENCE = 'It has a character that cannot be stored. Type it again.'

/** Whether somebody reading it sees anything: blanks and signs without a width are no name. */
export const isSeen = (text: string): boolean => /[\p{L}\p{N}\p{P}\p{S}]/u.test(text)

/** A line that somebody can read, at most so long; `missing` says what to type where there is none. */
export const line = (missing: string, most: number = MOST.name) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.check(isCleanText, UNCLEAN_SENTENCE),
    v.check(isSeen, missing),
    v.maxLength(most, `At most ${most} characters.`),
  )

const LIST_NUMBER = /^[A-Za-z0-9](?:[A-Za-z0-9 .-]*[A-Za-z0-9])?$/

/** Whether a list number can be one: it becomes part of an address and of a file's name. */
export const isListNumber = (number: string): boolean =>
  number.length <= MOST.code && LIST_NUMBER.test(number) && !number.includes('..')

export const LIST_NUMBER_SENTENCE = `A list number has letters, figures, spaces, dots and hyphens, at most ${MOST.code} of them.`

/** A plain decimal: figures and at most one point, as a table has them. */
export const isDecimal = (text: string): boolean => /^\d{1,15}(\.\d{1,15})?$/.test(text)
