import { bodyNumbers, bodyOf, sideOf, type JobState } from '@ekrond/core/log'
import type { Queryable } from '../db/pool.ts'
import type { CustomerPhoto } from '../reports/head.ts'
import { selectSome } from './photos.sql.ts'

/** So many pictures of each side go into the customer's page. */
const MOST_OF_A_SIDE = 4

/** Pictures of how it came and how it goes back, oldest of the first and newest of the second, side by side. */
export async function beforeAndAfter(db: Queryable, state: JobState): Promise<CustomerPhoto[]> {
  const all = bodyNumbers(state).flatMap((body) => bodyOf(state, body).photos)
  const before = all.filter(({ step }) => sideOf(step) === 'as it came').slice(0, MOST_OF_A_SIDE)
  const after = all.filter(({ step }) => sideOf(step) === 'as left').slice(-MOST_OF_A_SIDE)
  const chosen = Array.from({ length: MOST_OF_A_SIDE }, (_, i) => [before[i], after[i]])
    .flat()
    .filter((one) => one !== undefined)
  const pictures = await selectSome(
    db,
    chosen.map(({ photo }) => photo),
  )
  return chosen.flatMap(({ photo, words, step }) => {
    const picture = pictures.get(photo)
    if (!picture) return []
    const side = sideOf(step) === 'as left' ? 'As left' : 'As it came'
    return [
      { data: picture.toString('base64'), type: typeOf(picture), words: words ? `${side}: ${words}` : side },
    ]
  })
}

const typeOf = (picture: Buffer): string =>
  picture.toString('latin1', 8, 12) === 'WEBP'
    ? 'image/webp'
    : picture[0] === 0x89
      ? 'image/png'
      : 'image/jpeg'
