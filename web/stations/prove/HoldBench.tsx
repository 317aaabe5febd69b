import { fittedWasher, conditionsFor } from '@ekrond/core/bench/entering'
import { figure, plainNumber } from '@ekrond/core/measure'
import {
  findLifts,
  HOLD_SECONDS,
  inletTestKpa,
  needleWeight,
  noiseOf,
  SHUT_IN_ML,
  type Hold,
} from '@ekrond/core/judge/proof'
import { enterHold, judgeFall, limitFall, readFall, type EnteredProof } from '@ekrond/core/bench/proving'
import { isRefusal, type Result } from '@ekrond/core/base/refusal'
import { unpackTrace } from '@ekrond/core/measure/trace'
import { useCallback, useMemo, useState } from 'react'
import styled from 'styled-components'
import { useDraft } from '../../data/draft'
import { keptTrace } from '../../data/trace'
import { chosenOf, useHeard } from '../../data/hub'
import { ErrorLine } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { PressureChart } from './PressureChart'
import { ProofSheet, type BenchProps } from './ProofSheet'
import { SeatRig } from './SeatRig'
import { Small, Smalls } from './Smalls'
import { ails, TakenFrom, useTicking } from '../../instruments/TakenFrom'
import { useHold } from './useHold'
import { gapIn, useTrace } from './useTrace'

/** The trace, and where there is room the rig beside it. */
const Beside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 3fr);
  /* On a large screen the rig keeps to its pane instead of pushing both out of it. */
  grid-template-rows: minmax(0, 1fr);
  height: 100%;
  gap: 8px;
  @media (max-width: 1180px) {
    grid-template-columns: minmax(0, 1fr);
    & > :last-child {
      display: none !important;
    }
  }
`

/** A second each, from the valve shut to the end of a hold. */
const SECONDS_HELD = { curve: Array.from({ length: HOLD_SECONDS + 1 }, (_, s): [number, number] => [s, 0]) }

/** A pressure or a vacuum shut in and watched: from the gauge's own trace, or a fall that was read off. */
export function HoldBench(props: BenchProps) {
  const { open, proof } = props
  const { state, sheets } = open
  const vacuum = proof.code === 'vacuum'
  const purpose = vacuum ? 'vacuum' : 'gauge'
  const kpa = vacuum ? proof.limits.vacuumKpa : inletTestKpa(sheets.spec, conditionsFor(state, sheets))
  const [text, setText] = useDraft(open.draft('prove', proof.key))
  const [volumeText, setVolume] = useDraft(open.draft('prove', `${proof.code} volume`))
  const [weightText, setWeight] = useDraft(open.draft('prove', 'weight'))
  const heard = useHeard()
  const gauge = chosenOf(heard, 'pressure', purpose)
  const now = useTicking()
  const trace = useTrace(gauge?.name ?? null)
  const [shutAt, setShutAt] = useState<number | null>(null)
  const usualWeight = !proof.weighted
    ? 0
    : needleWeight(sheets.spec.taught ? { seatBore: 2.4, needleMass: 0 } : sheets.spec.float, kpa)
  const volumeMl = plainNumber(volumeText, SHUT_IN_ML)
  const weightG = plainNumber(weightText, usualWeight)
  // What was proved stands on the chart until something new is watched.
  const before = props.standing.said?.trace ?? null
  const kept = useMemo(() => {
    const samples = before ? unpackTrace(before) : []
    return isRefusal(samples) ? [] : samples
  }, [before])
  const told = props.standing.said?.measured
  const keptFrom =
    told?.what === 'hold' && kept.length > 0
      ? kept.findIndex(([s]) => s >= kept.at(-1)![0] - told.seconds - 0.01)
      : null
  const keptSamples = useCallback(() => kept, [kept])
  const held = () => (shutAt === null ? [] : trace.samples().slice(shutAt))
  const sigma = () => noiseOf(trace.samples())
  const watching = trace.runs && shutAt !== null
  const hold = useHold(proof, held, watching, volumeMl, sigma)
  const keptHeld = useCallback(() => (keptFrom === null ? [] : kept.slice(keptFrom)), [kept, keptFrom])
  const keptSigma = useCallback(() => noiseOf(kept), [kept])
  const keptMl = told?.what === 'hold' ? told.volumeMl : volumeMl
  const keptHold = useHold(proof, keptHeld, !trace.runs && kept.length > 0, keptMl, keptSigma)
  const lifts = vacuum || shutAt === null ? [] : findLifts(trace.samples().slice(0, shutAt), sigma())
  const lift = lifts.at(-1) ?? null
  const typed = {
    volumeMl,
    sigma: 0.2,
    weightG,
    popOffKpa: lift?.popOffKpa ?? null,
    reseatKpa: lift?.reseatKpa ?? null,
  }
  const gone = trace.runs ? ails(gauge, now) || (shutAt !== null ? gapIn(held()) : '') : ''

  const entering = ((): Result<EnteredProof> | null => {
    if (text.trim()) return fromText(text)
    if (shutAt === null || !hold || gone) return null
    if (isRefusal(hold)) return hold
    const samples = held()
    const from = samples[0]!
    const last = samples.at(-1)!
    return enterHold(
      { state, sheets, body: open.body },
      proof,
      hold,
      // By the fitted line: one reading alone has the gauge's noise.
      hold.curve?.[0]?.[1] ?? from[1],
      last[1],
      last[0] - from[0],
      typed,
      {
        instrument: gauge?.name ?? null,
        trace: keptTrace(trace.samples(), gauge?.name ?? 'gauge'),
      },
    )
  })()

  function fromText(words: string): Result<EnteredProof> {
    const fall = readFall(words, kpa)
    if (isRefusal(fall)) return fall
    const [from, to, seconds] = fall
    const judged = judgeFall(proof, from, to, seconds, typed)
    if (isRefusal(judged)) return judged
    return enterHold(
      { state, sheets, body: open.body },
      proof,
      judged,
      from,
      to,
      seconds,
      { ...typed, popOffKpa: null, reseatKpa: null },
      { byEye: true },
    )
  }

  const again = () => {
    trace.clear()
    setShutAt(null)
    setText('')
  }
  const primary =
    !gauge || text.trim()
      ? null
      : !trace.runs
        ? {
            words: vacuum ? 'Watch the gauge, then draw' : 'Watch the gauge, then pump',
            act: () => (trace.start(), setShutAt(null)),
          }
        : shutAt === null
          ? {
              words: 'Valve is shut',
              act: () => setShutAt(Math.max(0, trace.samples().length - 1)),
              off: trace.samples().length < 2 || (trace.samples().at(-1)?.[1] ?? 0) < 2,
            }
          : { words: gone ? 'Start again' : 'Watching …', act: again, off: !gone }
  const last = trace.samples().at(-1)
  const lastKpa = last?.[1] ?? 0
  const shown = trace.runs ? hold : keptHold
  const judged = shown && !isRefusal(shown) ? shown : null
  const from = shutAt === null ? null : trace.samples()[shutAt]
  const fell = trace.runs ? from : keptHeld()[0]
  const shut = trace.runs ? shutAt !== null : kept.length > 0
  return (
    <ProofSheet
      {...props}
      instrument={gauge}
      title={
        vacuum
          ? `Vacuum at ${proof.key === 'vacuum/break' ? 'the vacuum break' : proof.name.replace(/ under vacuum$/, '').toLowerCase()}`
          : 'Pressure at the inlet'
      }
      sub="grey: read · solid: fitted · tint: allowed"
      entering={entering}
      again={again}
      running={trace.runs}
      logged={again}
      {...(primary && !(entering && !isRefusal(entering)) ? { primary } : {})}
      drawing={
        <Beside>
          <PressureChart
            samples={trace.runs ? trace.samples : keptSamples}
            shutAt={trace.runs ? shutAt : keptFrom}
            runs={trace.runs}
            curve={judged?.curve ?? null}
            limit={judged && fell ? limitFall(proof, judged, fell[1], trace.runs ? volumeMl : keptMl) : null}
            curveWords={judged ? curveWords(judged) : ''}
            plan={{
              points: limitFall(proof, SECONDS_HELD, kpa, volumeMl),
              words: `${vacuum ? 'draw' : 'pump'} to ${figure(kpa)} kPa, shut the valve`,
            }}
            limitWords={`limit ${vacuum ? '2 kPa in 30 s' : '2.0'}`}
            top={Math.max(kpa, 10) * 1.15}
            seconds={(from && trace.samples()[0] ? from[0] - trace.samples()[0]![0] : 20) + HOLD_SECONDS + 8}
            popOff={lift?.popOffKpa ?? null}
            reseat={lift?.reseatKpa ?? null}
            volumeWords={`trapped: ${figure(volumeMl)} mL, hose, gauge and ${vacuum ? 'chamber' : 'inlet'}`}
          />
          <SeatRig
            spec={sheets.spec}
            kpa={last?.[1] ?? kept.at(-1)?.[1] ?? gauge?.value ?? null}
            full={Math.max(50, 50 * Math.ceil(kpa / 50))}
            shut={shut}
            lit={!trace.runs ? null : shutAt !== null ? 'gauge' : lastKpa >= kpa * 0.97 ? 'valve' : 'pump'}
            weightG={weightG}
            washerMm={fittedWasher(state, sheets.build, open.body)}
            vacuum={vacuum ? proof.short.toLowerCase() : ''}
          />
        </Beside>
      }
    >
      {({ enter, onKey }) => (
        <>
          <ReadingField
            key={proof.key}
            focus
            label={`${proof.name}, fall`}
            invalid={entering !== null && isRefusal(entering)}
            value={text}
            size={trace.runs ? 52 : 34}
            hint={trace.runs ? undefined : 'start, end, seconds'}
            unit={trace.runs ? 'kPa' : 'kPa, s'}
            onChange={setText}
            onEnter={enter}
            onKey={(key) => text === '' && onKey(key)}
            padWords={['to', 'in']}
          />
          <TakenFrom quantity="pressure" purpose={purpose} />
          {gone && trace.runs && <ErrorLine role="alert">{gone}</ErrorLine>}
          {!trace.runs && !text && props.standing.state !== 'proved' && (
            <Smalls style={{ gridTemplateColumns: usualWeight > 0 ? '1fr 1fr' : '1fr' }}>
              <Small
                label="Trapped volume, mL"
                value={volumeText}
                set={setVolume}
                usual={`${figure(SHUT_IN_ML)} assumed`}
              />
              {usualWeight > 0 && (
                <Small
                  label="On the needle, g"
                  value={weightText}
                  set={setWeight}
                  usual={`${usualWeight} assumed`}
                />
              )}
            </Smalls>
          )}
        </>
      )}
    </ProofSheet>
  )
}

function curveWords({ verdict, law, leak }: Hold): string {
  switch (verdict) {
    case 'wait':
      return 'too early to tell'
    case 'tight':
      return 'tight'
    case 'settling':
      return 'settles, then holds'
    case 'open':
      return 'does not shut'
    case 'slow':
      return `${law === 'settling' ? 'settles and leaks' : `${law} leak`}, ${figure(leak, 1)} mL/min`
  }
}
