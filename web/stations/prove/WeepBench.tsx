import { lastSaid } from '@ekrond/core/log'
import { weepPlaces, leastOf } from '@ekrond/core/judge/proof'
import { enterWeep } from '@ekrond/core/bench/proving'
import { useEffect, useState } from 'react'
import styled from 'styled-components'
import { useDraft } from '../../data/draft'
import { FloatSection } from '../../drawing/FloatSection'
import { figures } from '../../theme/global'
import { Choice, Label, Tick } from '../../ui'
import { ProofSheet, type BenchProps } from './ProofSheet'

const Clock = styled.div`
  display: flex;
  align-items: baseline;
  gap: 12px;
  & > b {
    font: 400 40px/1.1 ${figures};
    letter-spacing: -0.04em;
    color: var(--blue);
  }
`

const Bar = styled.div<{ $share: number }>`
  height: 6px;
  background: linear-gradient(
    to right,
    var(--blue) ${({ $share }) => $share * 100}%, var(--tint) ${({ $share }) => $share * 100}%
  );
`

const Places = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  & > button {
    justify-content: space-between;
  }
  & > button[data-wet='true'] {
    border: 2px solid var(--red);
    color: var(--red);
  }
`

interface Watch {
  /** ms since 1970, when it was filled and wiped; 0 before */
  from: number
  tapped: boolean
  /** place → s when it was seen wet */
  wet: Record<string, number>
}

const fresh: Watch = { from: 0, tapped: false, wet: {} }

function readWatch(text: string): Watch {
  try {
    return text ? { ...fresh, ...(JSON.parse(text) as Partial<Watch>) } : fresh
  } catch {
    return fresh
  }
}

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`

/** Every joint and plug watched for ten minutes, over whatever else is done meanwhile: the clock goes on when one leaves. */
export function WeepBench(props: BenchProps) {
  const { open, proof } = props
  const { sheets } = open
  const [text, setText] = useDraft(open.draft('prove', 'weep'))
  const watch = readWatch(text)
  const set = (change: Partial<Watch>) => setText(JSON.stringify({ ...watch, ...change }))
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 500)
    return () => clearInterval(timer)
  }, [])
  const seconds = watch.from ? Math.max(0, (now - watch.from) / 1000) : 0
  const places = weepPlaces(sheets).map((place) => ({ ...place, wetAt: watch.wet[place.name] ?? null }))
  const wet = places.some(({ wetAt }) => wetAt !== null)
  const entering = watch.from ? enterWeep(proof, seconds, watch.tapped, places) : null
  const settled = wet || (watch.tapped && seconds >= leastOf.weepSeconds)
  const height = lastSaid(open.here.readings['float.height/none'])?.value ?? null
  const target = sheets.spec.settings.find(({ code }) => code === 'float.height')?.target ?? height ?? 10
  const again = () => setText('')
  return (
    <ProofSheet
      {...props}
      title="Wet bench: full, wiped dry"
      sub="anything wet after ten minutes is seeping"
      entering={entering}
      ready={settled}
      again={again}
      logged={again}
      {...(watch.from
        ? {}
        : { primary: { words: 'Full and wiped dry. Start watching', act: () => set({ from: Date.now() }) } })}
      drawing={
        <FloatSection
          sheets={sheets}
          reading={height ?? target}
          target={target}
          verdict={null}
          remedy={null}
          view="use"
          level={{ belowFace: sheets.spec.level.target, immersion: 0, holds: true, maxPressure: 0 }}
          wantedBelowFace={sheets.spec.level.target}
          pressureKpa={sheets.spec.supply.pressureKpa}
        />
      }
    >
      {watch.from > 0 && (
        <>
          <Clock>
            <b role="timer">{clock(seconds)}</b> of {clock(leastOf.weepSeconds)}
            <span style={{ marginLeft: 'auto' }}>
              <Choice $on={watch.tapped} onPress={() => set({ tapped: !watch.tapped })}>
                {watch.tapped ? (
                  <>
                    tapped once <Tick size={12} />
                  </>
                ) : (
                  'Tap it once'
                )}
              </Choice>
            </span>
          </Clock>
          <Bar $share={Math.min(1, seconds / leastOf.weepSeconds)} />
          <Label>Tap a place that is wet; tap again to clear it</Label>
          <Places>
            {places.map(({ name, wetAt }) => (
              <Choice
                key={name}
                data-wet={wetAt !== null}
                aria-pressed={wetAt !== null}
                onPress={() => {
                  const { [name]: was, ...rest } = watch.wet
                  set({ wet: was === undefined ? { ...rest, [name]: Math.round(seconds) } : rest })
                }}
              >
                <span>{name}</span>
                <span>{wetAt === null ? 'dry' : `wet, ${clock(wetAt)}`}</span>
              </Choice>
            ))}
          </Places>
        </>
      )}
    </ProofSheet>
  )
}
