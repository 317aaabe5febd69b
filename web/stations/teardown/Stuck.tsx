import { MOST_STUCK_TRIES, stuckTries, type StuckTry } from '@ekrond/core/log'
import type { Position } from '@ekrond/core/sheets'
import { useEffect, useState } from 'react'
import { Choice, ErrorLine, QuietButton } from '../../ui'
import { stampNow } from '../../data/clock'
import { useShop } from '../../data/shop'
import { sayInstant } from '../../ui/dates'
import type { StationProps } from '../../shell/props'

/** A part that will not come: what was tried, until when it is left, and when to stop. */
export function Stuck({ open, position }: StationProps & { position: Position }) {
  const tries = open.here.stuck[position.code] ?? []
  const [asking, setAsking] = useState(tries.length > 0)
  const [wrong, setWrong] = useState('')
  const zone = useShop().data?.zone ?? 'UTC'
  const [now, setNow] = useState(() => Date.parse(stampNow()))
  useEffect(() => {
    const ticking = setInterval(() => setNow(Date.parse(stampNow())), 10_000)
    return () => clearInterval(ticking)
  }, [])
  const log = (tried: StuckTry, minutes: number) =>
    setWrong(open.add('part.stuck', { position: position.code, tried, minutes })?.sentence ?? '')
  if (!asking) return <QuietButton onPress={() => setAsking(true)}>Stuck</QuietButton>
  const last = tries.at(-1)
  const until = last && last.minutes > 0 ? Date.parse(last.at) + last.minutes * 60_000 : null
  return (
    <div style={{ display: 'grid', gap: 6, width: '100%' }}>
      {tries.length > 0 && (
        <p style={{ fontSize: 16 }}>
          Tried:{' '}
          {tries
            .map(({ tried }) => stuckTries.find(({ code }) => code === tried)!.label.toLowerCase())
            .join(', ')}
          .{' '}
          {until !== null &&
            (until > now ? (
              <b>Come back at {sayInstant(new Date(until).toISOString(), zone)}.</b>
            ) : (
              <b>Time is up: try it.</b>
            ))}
        </p>
      )}
      {tries.length >= MOST_STUCK_TRIES ? (
        <ErrorLine>Stop: force breaks the casting. Judge it in place, or leave it in.</ErrorLine>
      ) : (
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
          {stuckTries.map(({ code, label, minutes }) => (
            <Choice key={code} onPress={() => log(code, minutes)}>
              {minutes ? `${label}, ${minutes} min` : label}
            </Choice>
          ))}
        </div>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}
