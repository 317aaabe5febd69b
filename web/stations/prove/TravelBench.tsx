import { readTyped } from '@ekrond/core/measure/instruments'
import { enterTravel } from '@ekrond/core/bench/proving'
import { isEnricher, travelSeconds } from '@ekrond/core/judge/proof'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useEffect, useState } from 'react'
import { useDraft } from '../../data/draft'
import { Choice, Label } from '../../ui'
import { Small, Smalls } from './Smalls'
import { PressureChart } from './PressureChart'
import { ProofSheet, type BenchProps } from './ProofSheet'

const MARKS = [0.25, 0.5, 0.75, 0.9, 1] as const
const words = (share: number) =>
  ({ 0.25: 'a quarter', 0.5: 'half', 0.75: 'three quarters', 0.9: 'nine tenths', 1: 'to its stop' })[share] ??
  ''

/** An electric coil or a heated enricher switched on cold: a tap as its plate or plunger passes each mark. */
export function TravelBench(props: BenchProps) {
  const { open, proof } = props
  const { state, sheets } = open
  const [from, setFrom] = useState(0)
  const [samples, setSamples] = useState<[number, number][]>([])
  const [volts, setVolts] = useDraft(open.draft('prove', 'volts'))
  const [amps, setAmps] = useDraft(open.draft('prove', 'amps'))
  const [hot, setHot] = useDraft(open.draft('prove', 'amps hot'))
  const [now, setNow] = useState(0)
  useEffect(() => {
    if (!from) return
    const timer = setInterval(() => setNow((performance.now() - from) / 1000), 200)
    return () => clearInterval(timer)
  }, [from])
  const figureOf = (text: string, quantity: 'voltage' | 'current') => {
    const read = text.trim() ? readTyped(text, quantity) : null
    return read !== null && !isRefusal(read) ? read : null
  }
  const entering =
    samples.length >= 3
      ? enterTravel(
          { state, sheets, body: open.body },
          proof,
          samples,
          figureOf(volts, 'voltage'),
          figureOf(amps, 'current'),
          figureOf(hot, 'current'),
        )
      : null
  const again = () => {
    setFrom(0)
    setSamples([])
  }
  const next = MARKS.find((mark) => !samples.some(([, x]) => x >= mark))
  const mark = (share: number) =>
    setSamples((before) => [...before, [(performance.now() - from) / 1000, share] as [number, number]])
  return (
    <ProofSheet
      {...props}
      title={isEnricher(proof) ? 'The plunger creeps out' : 'The plate opens'}
      sub="share of its travel over seconds"
      entering={entering}
      again={again}
      running={from > 0}
      logged={again}
      {...(from
        ? {}
        : { primary: { words: 'Switched on', act: () => (setSamples([]), setFrom(performance.now())) } })}
      drawing={
        <PressureChart
          samples={() => samples.map(([s, x]) => [s, x * 100] as const)}
          shutAt={null}
          runs={false}
          curve={null}
          limit={null}
          curveWords=""
          limitWords=""
          top={100}
          seconds={travelSeconds(proof) + 20}
          popOff={null}
          reseat={null}
          unit="%"
          volumeWords={`95 % by ${travelSeconds(proof)} s`}
        />
      }
    >
      {from > 0 && (
        <>
          <p role="timer" style={{ font: '400 40px/1.1 "JetBrains Mono"', letterSpacing: '-0.04em' }}>
            {now.toFixed(0)} s
          </p>
          <Label>Tap as the {isEnricher(proof) ? 'plunger' : 'plate'} passes each mark</Label>
          <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
            {MARKS.map((share) => (
              <Choice
                key={share}
                $on={samples.some(([, x]) => x === share)}
                onPress={() => mark(share)}
                isDisabled={next === undefined || share < next}
              >
                {words(share)}
              </Choice>
            ))}
          </div>
          <Smalls style={{ gridTemplateColumns: '1fr 1fr 1fr' }}>
            <Small label="At its terminal, V" value={volts} set={setVolts} usual="12 assumed" />
            <Small label="Current cold, A" value={amps} set={setAmps} usual="not read" />
            <Small label="Current warm, A" value={hot} set={setHot} usual="not read" />
          </Smalls>
        </>
      )}
    </ProofSheet>
  )
}
