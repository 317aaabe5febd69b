import { conditionsFor } from '@ekrond/core/bench/entering'
import { lastSaid } from '@ekrond/core/log'
import { figure, plainNumber } from '@ekrond/core/measure'
import { benchLevel, benchOf, fluidDensity } from '@ekrond/core/judge/proof'
import { enterLevel } from '@ekrond/core/bench/proving'
import { readTyped } from '@ekrond/core/measure/instruments'
import { headOf } from '@ekrond/core/physics/float'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import { useDraft } from '../../data/draft'
import { FloatSection } from '../../drawing/FloatSection'
import { FieldSelect, Label, QuietButton } from '../../ui'
import { ReadingField } from '../../ui/Field'
import { Small, Smalls } from './Smalls'
import { WetMarks } from './WetMarks'
import { ProofSheet, type BenchProps } from './ProofSheet'
import { TakenFrom } from '../../instruments/TakenFrom'

/** Fuel on the wet bench against what this bench is to show. */
export function LevelBench(props: BenchProps) {
  const { open, proof } = props
  const { state, sheets } = open
  const [text, setText] = useDraft(open.draft('prove', proof.key))
  const [head, setHead] = useDraft(open.draft('prove', 'head'))
  const [fluid, setFluid] = useDraft(open.draft('prove', 'fluid'))
  const [readAt, setReadAt] = useDraft(open.draft('prove', 'read at'))
  const [lip, setLip] = useDraft(open.draft('prove', 'lip'))
  // Once it passed, what stood at its side is there for whoever tests it again.
  const [again, setAgain] = useState(false)
  const asked = again || props.standing.state !== 'proved'
  const conditions = conditionsFor(state, sheets)
  const tiltDeg = state.opened?.tiltDeg ?? 0
  const bench = benchOf({ head, fluid, readAt }, conditions, tiltDeg)
  const { pressureKpa, headMm } = bench
  const height = lastSaid(open.here.readings['float.height/none'])?.value ?? null
  const wanted = benchLevel(sheets.spec, bench, height)
  const read = text.trim() ? readTyped(text, 'length') : null
  const entering =
    read === null
      ? isRefusal(wanted)
        ? wanted
        : null
      : isRefusal(read)
        ? read
        : enterLevel({ state, sheets, body: open.body }, proof, {
            ...bench,
            belowFace: read,
            lipMm: lip.trim() ? plainNumber(lip) : proof.limits.lipMm,
          })
  // What was read stands, until something new is typed.
  const told = props.standing.said?.measured
  const before = told?.what === 'level' ? told : null
  const seen = read !== null && !isRefusal(read) ? read : (before?.belowFace ?? null)
  const shown = seen ?? (isRefusal(wanted) ? null : wanted.expected)
  const band = before && read === null ? before : isRefusal(wanted) ? null : wanted
  const target = sheets.spec.settings.find(({ code }) => code === 'float.height')?.target ?? height ?? 10
  const good =
    read === null
      ? props.standing.state === 'proved'
      : entering !== null && !isRefusal(entering) && entering.proved
  return (
    <ProofSheet
      {...props}
      title={`Wet bench: ${sheets.spec.section.title.toLowerCase()}`}
      sub={`fed at ${figure(pressureKpa)} kPa${headMm === null ? '' : `, ${figure(headMm, 0)} mm of head`}${tiltDeg ? ` · tilted ${tiltDeg}° as it sits` : ''}`}
      entering={entering}
      again={() => setText('')}
      logged={() => setText('')}
      drawing={
        <FloatSection
          sheets={sheets}
          reading={height ?? target}
          target={target}
          verdict={read === null ? null : good ? 'in' : 'out'}
          remedy={null}
          view="use"
          level={shown === null ? null : { belowFace: shown, immersion: 0, holds: true, maxPressure: 0 }}
          wantedBelowFace={
            (seen !== null && good) || isRefusal(wanted)
              ? (shown ?? sheets.spec.level.target)
              : wanted.expected
          }
          pressureKpa={pressureKpa}
          tiltDeg={tiltDeg}
          readAtMm={bench.readAtMm}
          beside={(room) =>
            band && (
              <WetMarks
                room={room}
                headMm={headMm ?? headOf(pressureKpa, bench.densityKgM3)}
                pressureKpa={pressureKpa}
                band={band}
                good={good}
                read={seen}
              />
            )
          }
        />
      }
    >
      {({ enter, onKey }) => (
        <>
          <ReadingField
            key={proof.key}
            focus
            label="Level below the face"
            invalid={entering !== null && isRefusal(entering)}
            value={text}
            unit="mm"
            takes={{ quantity: 'length', purpose: 'depth', places: 1 }}
            onChange={setText}
            onEnter={enter}
            onKey={(key) => text === '' && onKey(key)}
          />
          <TakenFrom quantity="length" purpose="depth" />
          {!isRefusal(wanted) && read === null && asked && (
            <Label as="p">
              Expect {figure(wanted.lo)} to {figure(wanted.hi)} mm; the sheet has{' '}
              {figure(sheets.spec.level.target)} at its own pressure and fuel.
              {wanted.byHeight !== null ? ` The height as left gives ${figure(wanted.byHeight)}.` : ''}
            </Label>
          )}
          {!asked && read === null && (
            <QuietButton onPress={() => setAgain(true)}>Change head or fluid</QuietButton>
          )}
          {read === null && asked && (
            <Smalls style={{ gridTemplateColumns: '1fr 1fr' }}>
              <Small
                label="Tank over the seat, mm"
                value={head}
                set={setHead}
                usual={`for ${figure(conditions.pressureKpa)} kPa`}
              />
              <label>
                <Label>Fluid</Label>
                <FieldSelect value={fluid || 'test'} onChange={(event) => setFluid(event.target.value)}>
                  <option value="test">test fluid, 760</option>
                  <option value="gasoline">gasoline, {figure(fluidDensity(0), 0)}</option>
                  <option value="job">this job’s fuel, {figure(conditions.densityKgM3, 0)}</option>
                </FieldSelect>
              </label>
              <Small
                label="Overflows first at, mm below the face"
                value={lip}
                set={setLip}
                usual="not measured"
              />
              {tiltDeg !== 0 && (
                <Small label="Read beyond the float, mm" value={readAt} set={setReadAt} usual="0 assumed" />
              )}
            </Smalls>
          )}
        </>
      )}
    </ProofSheet>
  )
}
