import { sentenceOf } from '@ekrond/core/log'
import { worthOf } from '@ekrond/core/bench/return-sheet'
import { nameOn } from '@ekrond/core/sheets'
import type { GatePoint } from '@ekrond/core/bench/stations'
import styled from 'styled-components'
import { useShop } from '../../data/shop'
import { sayInstant, shownAt } from '../../ui/dates'
import { figures, narrow } from '../../theme/global'
import type { StationProps } from '../../shell/props'

/** When it was shown and what made it void, on a line of time: what was said, then what was done. */
export function Since({ open, point }: { open: StationProps['open']; point: GatePoint }) {
  const shop = useShop().data
  const entryOf = (id: string | null | undefined) => open.state.log.find((entry) => entry.id === id)
  const shown = entryOf(point.claims.length === 1 ? point.claims[0]!.shownBy.at(-1) : undefined)
  const since = entryOf(point.since)
  if (!shown || !since || !shop) return null
  const say = (entry: NonNullable<typeof shown>) =>
    sentenceOf(entry, (code) => nameOn(open.all[point.body], code))
  return (
    <figure aria-label="When it was shown, and since when it no longer counts" style={{ margin: '2px 0' }}>
      <svg viewBox="0 0 360 26" width="100%" height={26} aria-hidden>
        <path d="M6 13H190" stroke="var(--ink)" strokeWidth={3} />
        <circle cx={10} cy={13} r={6} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2} />
        <path d="M190 2V24" stroke="var(--red)" strokeWidth={2.4} />
        <path d="M190 13H344" stroke="var(--red)" strokeWidth={3} strokeDasharray="3 4" />
        <path d="M350 6l6 10h-12Z" fill="var(--ink)" />
      </svg>
      <figcaption
        style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 10, font: `400 15px/1.3 ${narrow}` }}
      >
        <span>
          {sayInstant(shownAt(shown), shop.zone)}, {shown.by}: {say(shown)}
        </span>
        <span style={{ color: 'var(--red)' }}>
          {sayInstant(shownAt(since), shop.zone)}, {since.by}: {say(since)}
        </span>
      </figcaption>
    </figure>
  )
}

const Stamp = styled.span`
  flex: none;
  border: 2px dashed var(--pencil);
  color: var(--pencil);
  padding: 4px 10px;
  font: 600 15px/1.2 ${figures};
  transform: rotate(-3deg);
`

/** What its paper would say if it was returned as it stands. */
export function PaperWillSay({ open }: { open: StationProps['open'] }) {
  const { word } = worthOf(
    { ...open.state, returned: { seenSeq: open.state.seq, by: '', at: '', entry: '' } },
    open.all,
    open.body,
  )
  return (
    <p style={{ display: 'flex', gap: 14, alignItems: 'center', fontSize: 15 }}>
      <Stamp>{word}</Stamp>
      <span>is what the sheet would say now.</span>
    </p>
  )
}
