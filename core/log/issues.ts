import * as v from 'valibot'
import { isCleanText } from '../base/limits/index.ts'
import { capital } from '../base/words/index.ts'

export { isCleanText, UNCLEAN_SENTENCE } from '../base/limits/index.ts'

const DEEPEST = 12

/** Where in a value something stands that cannot be kept: an unclean text, a name that is none, too deep a nest. Empty where nothing does. */
export function uncleanAt(value: unknown, path = 'data', depth = 0): string {
  if (typeof value === 'string') return isCleanText(value) ? '' : path
  if (typeof value !== 'object' || value === null) return ''
  if (depth > DEEPEST) return path
  for (const [key, inner] of Object.entries(value)) {
    if (!isCleanText(key) || key === '__proto__') return path
    const found = uncleanAt(inner, `${path}.${key}`, depth + 1)
    if (found) return found
  }
  return ''
}

const MISSING = 'is missing.'

/** A schema's issue in words of our own; a sentence that the schema gives of its own comes first (`v.check`, `v.minLength(1, …)`). */
function sayIssue(issue: v.BaseIssue<unknown>): string {
  if (issue.kind === 'schema' && issue.received === 'undefined') return MISSING
  switch (issue.type) {
    case 'string':
      return 'must be text.'
    case 'number':
    case 'finite':
      return 'must be a number.'
    case 'integer':
      return 'must be a whole number.'
    case 'boolean':
      return 'must be yes or no.'
    case 'array':
      return 'must be a list.'
    case 'object':
    case 'strict_object':
    case 'record':
      return 'is not filled in.'
    case 'picklist':
    case 'literal':
    case 'union':
    case 'variant':
      return 'is none of those that there are.'
    case 'min_value':
    case 'gt_value':
      return 'is too small.'
    case 'max_value':
    case 'lt_value':
      return 'is too large.'
    case 'min_length':
    case 'non_empty':
      return 'is empty.'
    case 'max_length':
      return 'is too long.'
    case 'uuid':
    case 'regex':
      return 'is not written as it should be.'
    case 'iso_date':
      return 'is no day. Write it as 2026-11-24.'
    case 'iso_timestamp':
      return 'is no moment. Write it as 2026-11-24T10:40:00Z.'
    default:
      return 'cannot be used.'
  }
}

/** What every reading through a schema is given, so that no validator's own text reaches a person. */
export const inOurWords = { message: sayIssue }

/** An issue as a whole sentence: the schema's own, or the field's name with what is wrong with it. */
export function issueSentence(issue: v.BaseIssue<unknown>): string {
  if (/^\p{Lu}/u.test(issue.message)) return issue.message
  const path = v.getDotPath(issue)
  const name = path?.split('.').findLast((part) => !/^\d+$/.test(part))
  const words = (name ?? 'it').replace(/([A-Z])/g, ' $1').toLowerCase()
  return `${capital(words)} ${issue.message}`
}
