import { Link, useNavigate } from 'react-router'
import type { StationName } from '@ekrond/core/base/stations'
import type { OpenJob } from '../data/job'
import { useShop } from '../data/shop'
import { QuietButton } from '../ui'
import { sayInstant, shownAt } from '../ui/dates'
import { UnderZones } from './frame'

/** The job as it stood at one entry: nothing can be entered, steps of time beside it. */
export function AsOf({ open, station }: { open: OpenJob; station: StationName }) {
  const navigate = useNavigate()
  const shop = useShop().data
  if (!open.asOf) return null
  const seqs = open.entries.map((entry) => entry.seq)
  const at = open.entries.find((entry) => entry.seq === open.asOf)
  const move = (by: number) => {
    const next = seqs[Math.max(0, Math.min(seqs.length - 1, seqs.indexOf(open.asOf) + by))]
    if (next) void navigate(open.to(station, open.body, next))
  }
  return (
    <UnderZones role="status" style={{ background: 'var(--tint)' }}>
      <p className="wide">
        As of {at && shop ? sayInstant(shownAt(at), shop.zone) : ''}, entry {open.asOf} of {seqs.length}.
        <span style={{ fontWeight: 400 }}>Nothing can be entered here.</span>
      </p>
      <QuietButton onPress={() => move(-1)}>Earlier</QuietButton>
      <QuietButton onPress={() => move(1)}>Later</QuietButton>
      <Link to={open.to(station, open.body, 0)} style={{ padding: '11px 16px', fontWeight: 600 }}>
        back to now
      </Link>
    </UnderZones>
  )
}
