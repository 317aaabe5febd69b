import type { JobNeed } from '@ekrond/core/plan/needs'
import { StripCell } from '../../shell/frame'
import { Label } from '../../ui'

/** As they are told, the most pressing first. */
const KIND_WORDS = { finding: 'Need', chosen: 'Chosen', fuel: 'Fuel', always: 'Always' } satisfies Record<
  JobNeed['kind'],
  string
>
const KINDS = Object.keys(KIND_WORDS)

export function Needs({ needs }: { needs: readonly JobNeed[] }) {
  if (needs.length === 0)
    return (
      <StripCell style={{ padding: '12px 20px' }}>
        <Label>Needs</Label>
        <b>none yet</b>
      </StripCell>
    )
  return [...needs]
    .sort((a, b) => KINDS.indexOf(a.kind) - KINDS.indexOf(b.kind))
    .map((need) => (
      <StripCell key={need.position} style={{ minWidth: 104, paddingLeft: 12 }}>
        <Label>{KIND_WORDS[need.kind]}</Label>
        <b>{need.name}</b>
        <span style={{ color: 'var(--pencil)' }}>
          {need.standing === 'open' ? need.why.split('. ')[0] : need.standing}
        </span>
      </StripCell>
    ))
}
