import type { Opening } from './OpeningForm'
import { Label } from '../../ui'

/** What nobody knows is assumed, and said. */
export function Assumed({ typed }: { typed: Opening }) {
  const assumed = [
    ...(typed.pressure || typed.head ? [] : ['fuel pressure as the list number’s sheet has it']),
    ...(typed.ethanol ? [] : ['gasoline without ethanol']),
    ...(typed.altitude ? [] : ['altitude of the shop']),
  ]
  return (
    <div>
      <Label>Assumed until somebody knows better</Label>
      {assumed.length === 0 ? <p>Nothing: all of it is known.</p> : null}
      <ul style={{ display: 'grid', gap: 6, marginTop: 4 }}>
        {assumed.map((line) => (
          <li
            key={line}
            style={{ borderBottom: '1px solid var(--rule)', paddingBottom: 6, color: 'var(--pencil)' }}
          >
            {line}
          </li>
        ))}
      </ul>
    </div>
  )
}
