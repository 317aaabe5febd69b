import { lower } from '../../base/words/index.ts'
import { bodyOf, type JobState } from '../../log/index.ts'
import { amendmentsOf, type Amendment } from '../../taught/index.ts'

const names = (all: readonly Amendment[], what: readonly Amendment['what'][]): string =>
  all
    .filter((one) => what.includes(one.what))
    .map(({ name }) => lower(name))
    .join(', ')

/** In what hardware a listed unit differs from its book: whoever opens it next looks for a part that is not there, or misses one that is. */
export function amendedLines(state: JobState, body: number): string[] {
  if (bodyOf(state, body).taught) return []
  const all = amendmentsOf(state, body)
  const said = [
    ['has besides', names(all, ['part', 'port'])],
    ['lacks', names(all, ['missing'])],
    ['has otherwise', names(all, ['differs'])],
  ].flatMap(([what, words]) => (words ? [`${what} ${words}`] : []))
  return said.length ? [`Not as its book: it ${said.join('; it ')}.`] : []
}
