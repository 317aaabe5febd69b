import { altitudeWords } from '@ekrond/core/physics/air'
import { figureOf, type Opening } from './opening'
import { Label } from '../../ui'

/** What nobody knows is assumed, and said. */
export function Assumed({ typed }: { typed: Opening }) {
  const effect = altitudeWords(figureOf(typed.altitude) ?? NaN)
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
        {effect && `${effect} `}
        {assumed.length === 0 ? 'Nothing: all of it is known.' : `${assumed.join(', ')}.`}
      </p>
    </div>
  )
}
