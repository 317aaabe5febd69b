import type { CatalogueAnswer } from '@ekrond/contract/library'
import { FEATURE_NAMES } from '@ekrond/core/sheets'
import { markPlaces } from '@ekrond/core/log'
import { gaugeSigma, parseLength } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../../data/job'
import { useShop } from '../../data/shop'
import { Board } from '../../shell/frame'
import { figures } from '../../theme/global'
import { ErrorLine, FieldInput, FieldSelect, Label, QuietButton } from '../../ui'
import { onEnter } from '../../ui/keys'
import type { StationProps } from '../../shell/props'
import { MarkBoxes } from './MarkBoxes'
import { MarkKeys } from './MarkKeys'

const Rows = styled.div`
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  column-gap: 14px;
  align-items: center;
  & > span {
    font-size: 16px;
  }
  & > .look {
    color: var(--blue);
    font-weight: 600;
  }
`

const FEATURES = [
  'throttleBoreMm',
  'venturiMm',
  'flangeBoltSpacingMm',
  'draft',
  'barrels',
  'chokeKind',
  'inletThread',
] as const
const isLength = (feature: string) => feature.endsWith('Mm')
type MarkPlace = (typeof markPlaces)[number]

/** What is offered also where the library has none yet. */
const USUAL: Readonly<Record<string, readonly (string | number)[]>> = {
  draft: ['down', 'side', 'up'],
  barrels: [1, 2, 4],
}

const NEXT = { sure: 'think so', 'think so': 'struck', struck: 'sure' } as const

/** How a piece of evidence counts; a tap goes on to the next: sure, think so (half), crossed out, and back. */
function Weight({
  open,
  what,
  halves = false,
  children,
}: {
  open: OpenJob
  what: string
  halves?: boolean
  children?: React.ReactNode
}) {
  const now = open.here.evidence[what] ?? 'sure'
  const next = halves ? NEXT[now] : now === 'struck' ? 'sure' : 'struck'
  const struck = now === 'struck'
  return (
    <QuietButton
      aria-label={`${what.split(':')[1]}: ${now}`}
      style={{ padding: 0, display: 'block', textAlign: 'left', textDecoration: 'none', lineHeight: 1.3 }}
      onPress={() => void open.add('evidence.weighed', { what, as: next })}
    >
      {children && <span style={struck ? { textDecoration: 'line-through' } : {}}>{children}</span>}
      <small
        style={{
          display: 'block',
          fontSize: 14,
          textDecoration: 'underline',
          textUnderlineOffset: 3,
          color: struck ? 'var(--red)' : 'var(--pencil)',
        }}
      >
        {struck ? 'crossed out' : now}
      </small>
    </QuietButton>
  )
}

/** What stands on the castings and what was seen and measured of them. */
export function Evidence({
  open,
  candidates,
  place,
  setPlace,
  markText,
  setMarkText,
  enterMark,
  makerNow,
  setMaker,
  lookAt,
  wrong,
  setWrong,
}: StationProps & {
  candidates: CatalogueAnswer['candidates']
  place: MarkPlace
  setPlace: (place: MarkPlace) => void
  markText: string
  setMarkText: (text: string) => void
  enterMark: () => void
  makerNow: string
  setMaker: (maker: string) => void
  /** the feature that would settle most */
  lookAt: string | null
  wrong: string
  setWrong: (sentence: string) => void
}) {
  const shop = useShop().data
  const body = open.here
  const [typed, setTyped] = useState<Record<string, string>>({})
  const caliper = shop?.gauges.find((gauge) => gauge.kind === 'caliper')
  const sigma = caliper ? gaugeSigma(caliper) : 0.1
  const enterFeature = (feature: string, raw: string) => {
    if (!raw.trim() || raw.trim() === body.features[feature]?.raw) return
    let value: string | number = raw.trim()
    if (isLength(feature)) {
      const read = parseLength(raw)
      if (isRefusal(read)) return setWrong(`${FEATURE_NAMES[feature]}: ${read.refused.why}`)
      value = read.mm
    } else if (feature === 'barrels') {
      value = Number(raw)
      if (![1, 2, 4].includes(value)) return setWrong('Barrels are 1, 2 or 4.')
    }
    const before = open.standing('feature.seen', (data) => data.feature === feature)
    const no = open.add(
      'feature.seen',
      { feature, raw: raw.trim(), value, sigma: isLength(feature) ? sigma : null },
      before ? { corrects: before.id } : {},
    )
    setWrong(no?.sentence ?? '')
    if (!no) setTyped(({ [feature]: _, ...others }) => others)
  }
  return (
    <Board style={{ overflowY: 'auto', gap: 4 }}>
      <label>
        <Label>What can be read on the {place}</Label>
        <FieldInput
          autoFocus
          aria-label={`Mark on the ${place}`}
          value={markText}
          style={{ fontFamily: figures, textTransform: 'uppercase' }}
          onChange={(event) => setMarkText(event.target.value)}
          onKeyDown={onEnter(enterMark)}
        />
      </label>
      <MarkBoxes text={markText || body.marks[place]?.text || ''} />
      <MarkKeys value={markText} set={setMarkText} />
      {body.marks[place] && !markText && <Weight open={open} what={`mark:${place}`} />}
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 12 }}>
        <FieldSelect
          aria-label="Place of the mark"
          value={place}
          onChange={(event) => setPlace(event.target.value as typeof place)}
        >
          {markPlaces.map((p) => (
            <option key={p} value={p}>
              {p}
              {body.marks[p]?.text ? `: ${body.marks[p].text}` : ''}
            </option>
          ))}
        </FieldSelect>
        <FieldSelect aria-label="Maker" value={makerNow} onChange={(event) => setMaker(event.target.value)}>
          <option value="">maker unknown</option>
          {shop?.makers.map((m) => (
            <option key={m.code} value={m.code}>
              {m.code}
            </option>
          ))}
        </FieldSelect>
      </div>
      <Label as="p" style={{ fontWeight: 400 }}>
        {shop?.makers.find((m) => m.code === makerNow)?.numbering ??
          '. unreadable · 3/8 either · ... several missing'}
      </Label>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <Label style={{ marginTop: 6 }}>Seen and measured, caliper ±{sigma.toFixed(2)}</Label>
      <Rows>
        {FEATURES.map((feature) => {
          const values = [
            ...new Set([
              ...(USUAL[feature] ?? []),
              ...candidates.map((c) => c.features[feature]).filter((v) => v !== undefined),
            ]),
          ]
          const entered = body.features[feature]
          return [
            entered ? (
              <Weight key={feature} open={open} what={`feature:${feature}`} halves>
                {FEATURE_NAMES[feature]}
              </Weight>
            ) : (
              <span key={feature} className={lookAt === feature ? 'look' : ''}>
                {FEATURE_NAMES[feature]}
                {isLength(feature) && ', mm'}
              </span>
            ),
            isLength(feature) ? (
              <FieldInput
                key={`${feature} field`}
                aria-label={FEATURE_NAMES[feature]}
                value={typed[feature] ?? entered?.raw ?? ''}
                style={{ fontFamily: figures, minHeight: 44 }}
                onChange={(event) => setTyped((now) => ({ ...now, [feature]: event.target.value }))}
                onKeyDown={onEnter(() => enterFeature(feature, typed[feature] ?? ''))}
                onBlur={() => enterFeature(feature, typed[feature] ?? '')}
              />
            ) : (
              <FieldSelect
                key={`${feature} field`}
                aria-label={FEATURE_NAMES[feature]}
                value={String(entered?.value ?? '')}
                onChange={(event) => enterFeature(feature, event.target.value)}
              >
                <option value="">not checked</option>
                {values.map((v) => (
                  <option key={String(v)} value={String(v)}>
                    {String(v)}
                  </option>
                ))}
              </FieldSelect>
            ),
          ]
        })}
      </Rows>
    </Board>
  )
}
