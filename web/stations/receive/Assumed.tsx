import { atAltitude } from '@ekrond/core/metering'
import { figure } from '@ekrond/core/measure'
import type { Opening } from './opening'
import { Label } from '../../ui'

/** What nobody knows is assumed, and said. */
export function Assumed({ typed }: { typed: Opening }) {
  const assumed = [
    ...(typed.pressure || typed.head ? [] : ['fuel pressure from the sheet']),
    ...(typed.ethanol ? [] : ['gasoline without ethanol']),
    ...(typed.altitude ? [] : ['altitude of the shop']),
    ...(typed.tilt ? [] : ['level']),
  ]
  return (
    <div>
      <Label>Assumed until somebody knows better</Label>
      <p style={{ color: 'var(--pencil)', fontSize: 15 }}>
        {effectOf(typed.altitude)}
        {assumed.length === 0 ? 'Nothing: all of it is known.' : `${assumed.join(', ')}.`}
      </p>
    </div>
  )
}

/** What the altitude that was typed does to mixture and jets. */
function effectOf(altitude: string): string {
  const metres = Number(altitude.replace(',', '.').replace(/\s*m$/, ''))
  if (altitude.trim() === '' || !Number.isFinite(metres) || Math.abs(metres) < 200 || metres > 9000) return ''
  const { richer, area, bore } = atAltitude(metres)
  return `At ${figure(metres, 0)} m: ${figure(Math.abs(richer) * 100, 0)} % ${richer > 0 ? 'richer' : 'leaner'} with the jets of a sheet for the sea; ${figure(area, 2)} of their area (${figure(bore, 2)} of the bore) brings it back. `
}
