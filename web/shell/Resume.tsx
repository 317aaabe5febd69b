import { teardownOrder, type BuildSheet } from '@ekrond/core/sheets'
import type { BodyState } from '@ekrond/core/log'
import { stationNamed } from '@ekrond/core/base/stations'
import { nextThing, whereWasI } from '@ekrond/core/bench/stations'
import { Link } from 'react-router'
import type { OpenJob } from '../data/job'
import { Key } from '../ui'

/** Where you left off, in one line and one picture, and the next open step. It stands in the bar under the zones. */
export function Resume({ open }: { open: OpenJob }) {
  const next = nextThing(open.state, open.all)
  const line = whereWasI(open.state, open.all)
  return (
    <div role="status" aria-label="Where you left off" className="rest">
      <p className="wide">
        {open.sheets && <StackThumb build={open.sheets.build} body={open.here} />}
        <span>{line}.</span>
      </p>
      {next ? (
        <Link
          to={open.to(next.station, next.body)}
          style={{ display: 'flex', alignItems: 'center', gap: 10, padding: '0 16px', fontWeight: 600 }}
        >
          Next: {next.what} ({stationNamed(next.station).title}) <Key>Esc .</Key>
        </Link>
      ) : (
        <span style={{ display: 'flex', alignItems: 'center', padding: '0 16px', color: 'var(--pencil)' }}>
          Nothing to do until parts arrive.
        </span>
      )}
    </div>
  )
}

const W = 132
const H = 38

/** The stack in small: what is on is solid, what lies in a tray is dashed and lifted off. */
function StackThumb({ build, body }: { build: BuildSheet; body: BodyState }) {
  const order = teardownOrder(build)
  const isOff = (code: string) => Boolean(body.off[code]) && !body.on[code]
  const lying = order.filter((p) => isOff(p.code)).length
  const width = W / order.length
  return (
    <svg
      width={W}
      height={H}
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`${lying} of ${order.length} parts are off`}
      style={{ flex: 'none' }}
    >
      <path d={`M0 ${H - 1}H${W}`} stroke="var(--ink)" strokeWidth="1.5" />
      {order.map((position, i) => {
        const off = isOff(position.code)
        const height = 12 + (position.layer % 5) * 3
        return (
          <rect
            key={position.code}
            x={i * width + 0.8}
            y={off ? 1 : H - 1 - height}
            width={Math.max(1.5, width - 1.6)}
            height={off ? 9 : height}
            fill={off ? 'none' : body.on[position.code] ? 'var(--ink)' : 'var(--hatch)'}
            stroke="var(--ink)"
            strokeWidth="0.8"
            strokeDasharray={off ? '2 1.5' : undefined}
          />
        )
      })}
    </svg>
  )
}
