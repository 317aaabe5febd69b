import { readTyped } from '@ekrond/core/measure/instruments'
import { figure } from '@ekrond/core/measure'
import { pumpBand } from '@ekrond/core/judge/proof'
import { enterPump } from '@ekrond/core/bench/proving'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import { useDraft } from '../../data/draft'
import { Drawing, Text } from '../../drawing'
import { Choice, Label } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { ProofSheet, type BenchProps } from './ProofSheet'

/** Ten strokes into the glass. */
export function PumpBench(props: BenchProps) {
  const { open, proof } = props
  const { state, sheets } = open
  const [text, setText] = useDraft(open.draft('prove', proof.key))
  const [atOnce, setAtOnce] = useState<boolean | null>(null)
  const ml = text.trim() ? readTyped(text, 'volume') : null
  const entering =
    ml === null
      ? null
      : isRefusal(ml)
        ? ml
        : atOnce === null
          ? null
          : enterPump({ state, sheets, body: open.body }, proof, ml, atOnce)
  const again = () => {
    setText('')
    setAtOnce(null)
  }
  return (
    <ProofSheet
      {...props}
      title="Ten strokes into the glass"
      sub={
        sheets.spec.taught
          ? 'pump sizes borrowed from its family: no limits'
          : `from ${sheets.spec.listNumber} well and linkage`
      }
      entering={entering}
      again={again}
      {...(ml !== null && !isRefusal(ml) && atOnce === null
        ? { primary: { words: 'Does it squirt at once?', act: () => undefined, off: true } }
        : {})}
      logged={again}
      drawing={<Glass ml={ml !== null && !isRefusal(ml) ? ml : null} band={pumpBand(sheets.spec)} />}
    >
      {({ enter, onKey }) => (
        <>
          <ReadingField
            key={proof.key}
            focus
            label="Ten strokes"
            invalid={entering !== null && isRefusal(entering)}
            value={text}
            unit="mL"
            onChange={setText}
            onEnter={enter}
            onKey={(key) => text === '' && onKey(key)}
          />
          <Label id="at-once">Does it squirt the moment the throttle moves?</Label>
          <div role="group" aria-labelledby="at-once" style={{ display: 'flex', gap: 8 }}>
            <Choice $on={atOnce === true} onPress={() => setAtOnce(true)}>
              At once
            </Choice>
            <Choice $on={atOnce === false} onPress={() => setAtOnce(false)}>
              Late, or not every time
            </Choice>
          </div>
        </>
      )}
    </ProofSheet>
  )
}

const W = 640
const H = 480

/** The measuring glass with the band of ten strokes and what stands in it. */
function Glass({
  ml,
  band,
}: {
  ml: number | null
  band: { lo: number | null; hi: number | null; swept: number | null }
}) {
  const most = 5 * Math.ceil((Math.max(band.swept ?? 0, ml ?? 0, 8) * 1.25) / 5)
  const y = (v: number) => 430 - (v / most) * 360
  const ticks = Array.from({ length: most + 1 }, (_, i) => i)
  return (
    <Drawing
      width={W}
      height={H}
      title={`A measuring glass${ml === null ? '' : ` with ${figure(ml)} mL`}${band.lo === null ? '' : `, wanted ${figure(band.lo)} to ${figure(band.hi!)}`}.`}
    >
      {band.lo !== null && band.hi !== null && (
        <g>
          <rect x={210} y={y(band.hi)} width={230} height={y(band.lo) - y(band.hi)} fill="var(--tint)" />
          {[band.lo, band.hi].map((v) => (
            <line key={v} x1={210} x2={452} y1={y(v)} y2={y(v)} stroke="var(--ink)" strokeWidth={1.4} />
          ))}
          <Text at={[460, y(band.hi) + 6]} face="figures">
            {figure(band.hi)}
          </Text>
          <Text at={[460, y(band.lo) + 6]} face="figures">
            {figure(band.lo)}
          </Text>
          {band.swept !== null && (
            <>
              <line
                x1={210}
                x2={520}
                y1={y(band.swept)}
                y2={y(band.swept)}
                stroke="var(--ink)"
                strokeDasharray="12 4 2 4"
              />
              <Text at={[526, y(band.swept) + 6]}>{`sweeps ${figure(band.swept)}`}</Text>
            </>
          )}
        </g>
      )}
      {ml !== null && (
        <rect
          x={242}
          y={y(Math.min(ml, most))}
          width={156}
          height={430 - y(Math.min(ml, most))}
          fill="url(#fuel)"
          stroke="var(--ink)"
          strokeWidth={1.6}
        />
      )}
      <path d="M240 52 V432 H400 V52" fill="none" stroke="var(--ink)" strokeWidth={3} />
      <path d="M214 446 h212 v12 h-212z" fill="url(#hatch)" stroke="var(--ink)" strokeWidth={2} />
      {ticks.map((v) => (
        <g key={v}>
          <line x1={240} x2={v % 5 ? 254 : 268} y1={y(v)} y2={y(v)} stroke="var(--ink)" strokeWidth={1.3} />
          {v % 5 === 0 && v > 0 && (
            <Text at={[228, y(v) + 6]} anchor="end" face="figures" colour="pencil">
              {String(v)}
            </Text>
          )}
        </g>
      ))}
      <Text at={[320, 36]} anchor="middle" colour="pencil">
        mL
      </Text>
    </Drawing>
  )
}
