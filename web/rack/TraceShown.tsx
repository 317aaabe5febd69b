import { current, type DataOf, type Entry } from '@ekrond/core/log'
import { isRefusal } from '@ekrond/core/base/refusal'
import { unpackTrace } from '@ekrond/core/measure/trace'
import { useState } from 'react'
import { PressureChart } from '../stations/prove/PressureChart'
import { isWhole } from '../data/trace'
import { QuietButton } from '../ui'

const WHOLE: Readonly<Record<string, string>> = {
  true: ', unchanged since stored',
  false: ', CHANGED since stored',
  null: '',
}

/** The trace that a proof rests on, as the instrument wrote it; nothing where there is none. */
export function TraceShown({ entry }: { entry: Entry }) {
  const [open, setOpen] = useState(false)
  if (entry.kind !== 'proof.measured') return null
  const { trace, measured } = current(entry).data as DataOf['proof.measured']
  if (!trace) return null
  if (!open)
    return (
      <QuietButton onPress={() => setOpen(true)}>
        its trace, {trace.count} readings of {trace.instrument}
      </QuietButton>
    )
  const samples = unpackTrace(trace)
  if (isRefusal(samples)) return <span>{samples.refused.why}</span>
  const seconds = samples.at(-1)?.[0] ?? 0
  const shutAt =
    measured.what === 'hold' ? samples.findIndex(([s]) => s >= seconds - measured.seconds - 0.01) : -1
  return (
    <span style={{ display: 'block', height: 260 }}>
      <PressureChart
        samples={() => samples}
        shutAt={shutAt >= 0 ? shutAt : null}
        runs={false}
        curve={null}
        limit={null}
        curveWords=""
        limitWords=""
        top={10}
        seconds={seconds}
        popOff={measured.what === 'hold' ? measured.popOffKpa : null}
        reseat={measured.what === 'hold' ? measured.reseatKpa : null}
        volumeWords={`${trace.instrument}, ${trace.count} readings${WHOLE[String(isWhole(trace))]}`}
      />
    </span>
  )
}
