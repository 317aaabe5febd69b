import { altitudeWords } from '@ekrond/core/physics/air'
import { figureOf, type Opening } from './opening'
import { Label } from '../../ui'

/** What nobody knows is assumed, and said. */
export function Assumed({ typed }: { typed: Opening }) {
  const effect = altitudeWords(figureOf(typed.altitude) ?? NaN)
  const assumed = [
    ...(typed.pressure || typed.head ? [] : ['fuel pressure from the spec']),
    ...(typed.ethanol ? [] : ['gasoline without ethanol']),
    ...(typed.altitude ? [] : ['altitude of the shop']),
    ...(typed.tilt ? [] : ['level']),
  ]
  return (
    <div>
      <Label>Assumed for now</Label>
      <p style={{ color: 'var(--pencil)', fontSize: 15 }}>
        {effect && `${effect} `}
        {assumed.length === 0 ? 'Nothing. All of it is known.' : `${assumed.join(', ')}.`}
      </p>
    </div>
  )
}
