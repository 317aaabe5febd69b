import { bodyOf, seqOf, type JobState } from '../log/index.ts'
import { stated, way, type Claim, type Way } from './claim.ts'

const MINUTES_TO_SHOW = 2

/**
 * A part that the book lists and this unit lacks is not there only once it was photographed where it would sit and somebody else looked:
 * one that fell out unseen would be missed for good. What is otherwise in a listed part is photographed too.
 */
export function missingClaims(state: JobState, body: number): Claim[] {
  const here = bodyOf(state, body)
  if (here.taught) return []
  return Object.values(here.ownParts)
    .filter(({ absent, differs }) => absent || differs)
    .map((part): Claim => {
      const photo = here.photos.find(({ position }) => position === part.position)
      const second = part.second && part.second !== part.by ? part.second : null
      const ways: Way[] = []
      if (part.absent && (!photo || !second)) {
        const lacks = [photo ? '' : 'a photograph of its place', second ? '' : 'a second person who looked']
        ways.push(
          way(
            'open',
            `missing:${part.position}`,
            `${part.name}: listed, and not there`,
            `the book has one; it wants ${lacks.filter(Boolean).join(' and ')}`,
            { value: `missing ${part.entry}` },
          ),
        )
      }
      if (part.differs && !photo)
        ways.push(
          way(
            'open',
            `differs:${part.position}`,
            `${part.name} differs from its book`,
            `${part.differs}: photograph it`,
            { weight: 'minor', value: `differs ${part.entry}` },
          ),
        )
      return stated({
        of: 'identity',
        body,
        subject: `${part.absent ? 'missing' : 'differs'}:${part.position}`,
        name: part.absent ? `${part.name} is not there` : `${part.name}, otherwise than listed`,
        station: 'teardown',
        shownBy: [part.entry, photo && seqOf(state, photo.entry) > 0 ? photo.entry : undefined],
        restsOn: [part.position],
        minutes: MINUTES_TO_SHOW,
        ways,
      })
    })
}
