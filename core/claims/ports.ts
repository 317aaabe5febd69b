import { portsOf } from '../unit/families/index.ts'
import { portWords, leftSince, bodyOf, type JobState, NOTHING_SEEN } from '../log/index.ts'
import { figure } from '../measure/index.ts'
import { leftWrong } from '../judge/proof/index.ts'
import type { Sheets } from '../sheets/index.ts'
import { stated, way, type Claim } from './claim.ts'

/** Each port is left joined, capped or open as its job asks. */
export function portClaims(state: JobState, sheets: Sheets, body: number): Claim[] {
  const here = bodyOf(state, body)
  return portsOf(sheets).map((port): Claim => {
    const { left, found } = here.ports[port.code] ?? {}
    const named = `port:${port.code}`
    const size = `${port.name}, ${figure(port.boreMm)} mm`
    const gone = left ? leftSince(state, left.entry) : null
    return stated({
      of: 'port',
      body,
      subject: port.code,
      name: port.name,
      station: 'return',
      shownBy: [left?.entry],
      minutes: 1,
      ways: leftWrong(left, port)
        ? [
            way(
              left ? 'contradicted' : 'open',
              named,
              `${size}: ${left ? portWords(left) : 'not recorded how it is left'}`,
              found ? `found ${portWords(found)}` : 'connected to what, capped, or open on purpose',
              { value: left ? portWords(left) : NOTHING_SEEN },
            ),
          ]
        : gone
          ? [way('void', named, `${size}: look again`, 'it left the shop since then', { since: gone })]
          : [],
    })
  })
}
