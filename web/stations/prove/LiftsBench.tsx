import { figure } from '@ekrond/core/measure'
import { countLifts, findLifts, noiseOf, leastOf } from '@ekrond/core/judge/proof'
import { enterLifts, type EnteredProof } from '@ekrond/core/bench/proving'
import type { Result } from '@ekrond/core/base/refusal'
import { useDraft } from '../../data/draft'
import { keptTrace } from '../../data/trace'
import { chosenOf, useHeard } from '../../data/hub'
import { ErrorLine } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { PressureChart } from './PressureChart'
import { ProofSheet, type BenchProps } from './ProofSheet'
import { ails, TakenFrom, useTicking } from '../../instruments/TakenFrom'
import { useTrace } from './useTrace'

/** Ten lifts of the needle: counted from the gauge's trace, or typed. */
export function LiftsBench(props: BenchProps) {
  const { open, proof } = props
  const [text, setText] = useDraft(open.draft('prove', proof.key))
  const gauge = chosenOf(useHeard(), 'pressure', 'gauge')
  const now = useTicking()
  const trace = useTrace(gauge?.name ?? null)
  const lifts = trace.runs ? findLifts(trace.samples(), noiseOf(trace.samples())) : []
  const counted = countLifts(lifts)
  const gone = trace.runs ? ails(gauge, now) : ''
  const entering = ((): Result<EnteredProof> | null => {
    if (text.trim()) {
      const [clean, of] = text
        .split(/[^\d.-]+/)
        .filter(Boolean)
        .map(Number)
      return enterLifts(proof, clean ?? NaN, of ?? leastOf.lifts, null)
    }
    if (counted.of < leastOf.lifts || gone) return null
    return enterLifts(proof, counted.clean, counted.of, counted.spreadKpa, {
      instrument: gauge?.name ?? null,
      trace: keptTrace(trace.samples(), gauge?.name ?? 'gauge'),
    })
  })()
  const again = () => {
    trace.clear()
    setText('')
  }
  const last = lifts.at(-1)
  return (
    <ProofSheet
      {...props}
      instrument={gauge}
      title="Ten lifts"
      sub="top: opens · bottom: shuts again"
      entering={entering}
      again={again}
      running={trace.runs}
      logged={again}
      {...(gauge && !text.trim() && entering === null
        ? {
            primary: trace.runs
              ? { words: `${counted.of} of ${leastOf.lifts} lifts`, act: () => undefined, off: true }
              : { words: 'Watch the gauge, then pump', act: trace.start },
          }
        : {})}
      drawing={
        <div style={{ display: 'grid', gridTemplateRows: 'minmax(0, 3fr) minmax(0, 2fr)', height: '100%' }}>
          <PressureChart
            samples={trace.samples}
            shutAt={null}
            // Ten are counted: the line need not run on while somebody wants to tap.
            runs={trace.runs && entering === null}
            curve={null}
            limit={null}
            curveWords=""
            limitWords=""
            top={50}
            seconds={40}
            popOff={last?.popOffKpa ?? null}
            reseat={last?.reseatKpa ?? null}
            volumeWords=""
          />
          <LiftMarks lifts={lifts} />
        </div>
      }
    >
      {({ enter, onKey }) => (
        <>
          <ReadingField
            key={proof.key}
            focus
            label="Lifts that shut cleanly"
            value={text}
            hint={trace.runs ? `${counted.clean} counted by the gauge` : undefined}
            unit="of ten"
            onChange={setText}
            onEnter={enter}
            onKey={(key) => text === '' && onKey(key)}
          />
          <TakenFrom quantity="pressure" purpose="gauge" />
          {gone && <ErrorLine role="alert">{gone}</ErrorLine>}
        </>
      )}
    </ProofSheet>
  )
}

const W = 700
const H = 150

/** Each lift as a stroke from where it let go to where it shut. */
function LiftMarks({ lifts }: { lifts: readonly { popOffKpa: number; reseatKpa: number }[] }) {
  const most = Math.max(10, ...lifts.map(({ popOffKpa }) => popOffKpa))
  const least = Math.min(most - 10, ...lifts.map(({ reseatKpa }) => reseatKpa))
  const y = (p: number) => 108 - ((p - least) / (most - least)) * 90
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`${lifts.length} lifts.`}
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      {Array.from({ length: Math.max(leastOf.lifts, lifts.length) }, (_, i) => {
        const lift = lifts[i]
        const x = 60 + (i * (W - 110)) / Math.max(leastOf.lifts - 1, lifts.length - 1)
        return lift ? (
          <g key={i}>
            <path
              d={`M${x - 9} ${y(lift.popOffKpa)}h18M${x} ${y(lift.popOffKpa)}V${y(lift.reseatKpa) - 6}`}
              stroke="var(--ink)"
              strokeWidth={2}
              fill="none"
            />
            <circle
              cx={x}
              cy={y(lift.reseatKpa)}
              r={6}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
            <text
              x={x}
              y={140}
              textAnchor="middle"
              fill="var(--pencil)"
              style={{ font: '400 18px "JetBrains Mono"' }}
            >
              {figure(lift.reseatKpa, 0)}
            </text>
          </g>
        ) : (
          <circle key={i} cx={x} cy={108} r={5} fill="none" stroke="var(--line)" strokeDasharray="2 3" />
        )
      })}
    </svg>
  )
}
