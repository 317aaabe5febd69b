import { teardownOrder } from '@ekrond/core/work'
import { StripCell } from '../../shell/frame'
import { Label } from '../../ui'
import type { StationProps } from '../props'

/** What is off and where it lies. */
export function Tray({ open }: StationProps) {
  const body = open.here
  const build = open.sheets?.build
  if (!build) return null
  const order = teardownOrder(build)
  const lying = order.filter((p) => body.off[p.code] && !body.on[p.code])
  return (
    <>
      <StripCell style={{ flex: '0 0 128px', paddingLeft: 16 }}>
        <Label>Tray</Label>
        <b style={{ fontSize: 26, lineHeight: 1.2 }}>
          {lying.length} <small style={{ fontSize: 16, fontWeight: 400 }}>off</small>
        </b>
        <span style={{ color: 'var(--pencil)' }}>{order.filter((p) => !body.off[p.code]).length} to go</span>
      </StripCell>
      {build.trays.map((tray) => {
        const here = lying.filter((p) => body.off[p.code]!.tray === tray.code)
        return (
          <StripCell key={tray.code}>
            <Label>
              {tray.code} · {tray.name}
            </Label>
            {here.slice(0, 3).map((p) => (
              <span
                key={p.code}
                style={{
                  display: 'block',
                  whiteSpace: 'nowrap',
                  overflow: 'hidden',
                  textOverflow: 'ellipsis',
                }}
              >
                {p.name.toLowerCase()}
              </span>
            ))}
            {here.length > 3 && <span style={{ color: 'var(--pencil)' }}>and {here.length - 3} more</span>}
          </StripCell>
        )
      })}
    </>
  )
}
