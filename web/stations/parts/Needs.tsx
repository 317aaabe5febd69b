import type { JobNeed } from '@ekrond/core/plan/needs'
import { StripCell } from '../../shell/frame'
import { Label } from '../../ui'

export function Needs({ needs }: { needs: readonly JobNeed[] }) {
  if (needs.length === 0)
    return (
      <StripCell style={{ padding: '12px 20px' }}>
        <Label>Needs</Label>
        <b>none yet</b>
      </StripCell>
    )
  const rank = { finding: 0, fuel: 1, always: 2 }
  return [...needs]
    .sort((a, b) => rank[a.kind] - rank[b.kind])
    .map((need) => (
      <StripCell key={need.position} style={{ minWidth: 104, paddingLeft: 12 }}>
        <Label>{need.kind === 'finding' ? 'Need' : need.kind === 'fuel' ? 'Fuel' : 'Always'}</Label>
        <b>{need.name}</b>
        <span style={{ color: 'var(--pencil)' }}>
          {need.standing === 'open' ? need.why.split('.')[0] : need.standing}
        </span>
      </StripCell>
    ))
}
