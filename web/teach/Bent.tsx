import { figure } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { bends, known, readBend, wrongWay, type TriedBend } from '@ekrond/core/taught'
import { useState } from 'react'
import type { Remedy } from '@ekrond/core/log'
import type { OpenJob } from '../data/job'
import { Choice, ErrorLine, FieldInput, Label, QuietButton } from '../ui'

/** How far the tang was bent since the last reading, and which way: the next reading teaches the ratio. */
export function Bent({ open, said }: { open: OpenJob; said: Remedy | null }) {
  const [otherwise, setOtherwise] = useState(false)
  const [toward, setToward] = useState<1 | -1 | null>(null)
  const [mm, setMm] = useState('')
  const [wrong, setWrong] = useState('')
  const spec = open.sheets!.spec
  const ratio = spec.taught?.ratio ?? null
  const pencil = spec.taught?.pencil ?? []
  const readings = open.here.readings['float.height/none']?.said.length ?? 0
  const since = open.here.ownBends.filter(({ after }) => after === readings)
  const contrary = pencil.includes('float.sense') ? [] : wrongWay(open.here, spec.float.sense)
  const asSaid = said?.action === 'bend tang' ? said : null
  if (readings === 0) return null
  // A unit with a sheet needs no lesson: one tap where it was bent as it says.
  const short = !spec.taught && !otherwise
  if (short && !asSaid && since.length === 0) return null
  const log = (bend: TriedBend, way = toward) => {
    if (way === null) return setWrong('Which way was it bent?')
    const no = open.add('own.bend', { mm: way * bend.mm, sigma: bend.sigma })
    setWrong(no?.sentence ?? '')
    setMm('')
    setToward(null)
    setOtherwise(false)
  }
  const asItSays = asSaid && since.length === 0 && (
    <Choice
      onPress={() =>
        log(
          { mm: asSaid.amount, sigma: asSaid.amount / 3 },
          asSaid.short.includes('toward the needle') ? 1 : -1,
        )
      }
    >
      Done as shown
    </Choice>
  )
  if (short)
    return (
      <div
        role="group"
        aria-label="How far it was bent"
        style={{ display: 'flex', flexWrap: 'wrap', gap: 6, alignItems: 'center' }}
      >
        {since.length > 0 ? (
          <Label>{bentSince(since)}</Label>
        ) : (
          <>
            {asItSays}
            <QuietButton onPress={() => setOtherwise(true)}>Another amount</QuietButton>
          </>
        )}
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      </div>
    )
  return (
    <div role="group" aria-label="How far it was bent" style={{ display: 'grid', gap: 6 }}>
      <Label>
        {since.length > 0 ? bentSince(since) : 'Bent it? Enter how far: the next reading shows the ratio.'}
      </Label>
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}>
        <Choice $on={toward === 1} aria-pressed={toward === 1} onPress={() => setToward(1)}>
          toward the needle
        </Choice>
        <Choice $on={toward === -1} aria-pressed={toward === -1} onPress={() => setToward(-1)}>
          away from it
        </Choice>
      </div>
      {asItSays}
      {toward !== null && (
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
          {bends.map((bend) => (
            <Choice key={bend.words} onPress={() => log(bend)}>
              {bend.words}
            </Choice>
          ))}
          <form
            style={{ flex: '1 1 120px' }}
            onSubmit={(event) => {
              event.preventDefault()
              const bend = readBend(mm)
              if (isRefusal(bend)) setWrong(bend.refused.why)
              else log(bend)
            }}
          >
            <FieldInput
              aria-label="Bent by, mm"
              inputMode="decimal"
              placeholder="or mm"
              value={mm}
              onChange={(event) => setMm(event.target.value)}
            />
          </form>
        </div>
      )}
      {contrary.length > 0 && (
        <ErrorLine role="alert">
          {figure(contrary[0]!.before)} became {figure(contrary[0]!.after)} by a bend{' '}
          {contrary[0]!.bend > 0 ? 'toward' : 'away from'} the needle: that is the wrong direction. Which way
          was it bent, or what is the height read from?
        </ErrorLine>
      )}
      {ratio && known(spec).at >= 2 && (
        <Label as="p">
          1 mm at the tang moves the reading {figure(ratio.k)} ±{figure(ratio.k * ratio.relSigma)} mm
          {ratio.tries ? `, from ${ratio.tries} ${ratio.tries === 1 ? 'try' : 'tries'}` : ''}
        </Label>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}

const bentSince = (since: readonly { mm: number }[]) =>
  `Bent ${figure(Math.abs(since.reduce((sum, { mm }) => sum + mm, 0)), 2)} mm since the last reading: read it again.`
