import { figure } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { tracedArea, type Tap } from '@ekrond/core/taught'
import { Camera } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import { shrink } from '../photos/shrink'
import { figures } from '../theme/global'
import { Answer, Button, ErrorLine, FieldInput, Key, Label, MainButton } from '../ui'
import { LargeSheet } from '../ui/LargeSheet'

const Face = styled.div`
  position: relative;
  justify-self: center;
  cursor: crosshair;
  touch-action: manipulation;
  & img {
    display: block;
    max-width: 100%;
    max-height: 58vh;
    user-select: none;
  }
  & svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
  }
`
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
  & input {
    width: 110px;
    font: 500 22px/1 ${figures};
  }
`
/** What is usually read between two marks that lie well apart, mm. */
const USUAL_MM = '50'

interface Done {
  area: number
  sigma: number
  taps: number
}

/** A float laid beside a ruler and photographed from above: two marks tapped for the scale, then its outline, tap by tap. */
export function Traced({ log }: { log: (done: Done) => void }) {
  const input = useRef<HTMLInputElement>(null)
  const [picture, setPicture] = useState<string | null>(null)
  const [wrong, setWrong] = useState('')
  useEffect(() => () => void (picture && URL.revokeObjectURL(picture)), [picture])
  const take = async (file: File) => {
    setWrong('')
    try {
      const { picture: small } = await shrink(file)
      setPicture(URL.createObjectURL(small))
    } catch (error) {
      setWrong((error as Error).message)
    }
  }
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label="Photograph of the float from above"
        hidden
        onChange={(event) => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) void take(file)
        }}
      />
      <Button onPress={() => input.current?.click()} style={{ justifySelf: 'start' }}>
        <Camera size={18} aria-hidden /> Trace it on a photograph
      </Button>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      {picture && (
        <Tracing
          picture={picture}
          close={() => setPicture(null)}
          log={(done) => {
            setPicture(null)
            log(done)
          }}
        />
      )}
    </>
  )
}

function Tracing({ picture, close, log }: { picture: string; close: () => void; log: (done: Done) => void }) {
  // Shares of the picture, so that they stay in place when the window changes.
  const [shares, setShares] = useState<readonly Tap[]>([])
  const [mm, setMm] = useState(USUAL_MM)
  const [size, setSize] = useState({ width: 1, height: 1 })
  const taps = shares.map(([x, y]): Tap => [x * size.width, y * size.height])
  const ruler = taps.slice(0, 2)
  const outline = taps.slice(2)
  const said = tracedArea({ ruler, mm: Number(mm.replace(',', '.')), outline })
  const whole = !isRefusal(said)
  const back = () => setShares(shares.slice(0, -1))
  const done = () => whole && log({ ...said, taps: outline.length })
  const step =
    ruler.length < 2
      ? `Lay a ruler beside it, flat, seen from straight above. Tap two of its marks: ${2 - ruler.length} to go.`
      : 'Now tap round the float, once at each bend. It closes by itself.'
  return (
    <LargeSheet title="The float from above" close={close}>
      <p style={{ fontSize: 17, margin: 0 }}>{step}</p>
      <Face
        role="group"
        aria-label="Picture of the float: tap the ruler’s marks, then its outline"
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect()
          setSize({ width: box.width, height: box.height })
          setShares([
            ...shares,
            [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height],
          ])
        }}
      >
        <img src={picture} alt="the float beside a ruler" draggable={false} />
        <svg viewBox={`0 0 ${size.width} ${size.height}`} preserveAspectRatio="none" aria-hidden>
          {outline.length > 1 && (
            <path
              d={`M${outline.map(([x, y]) => `${x} ${y}`).join('L')}${outline.length > 2 ? 'Z' : ''}`}
              fill={whole ? 'color-mix(in srgb, var(--blue) 22%, transparent)' : 'none'}
              stroke="var(--blue)"
              strokeWidth={2.4}
            />
          )}
          {ruler.length === 2 && (
            <path
              d={`M${ruler.map(([x, y]) => `${x} ${y}`).join('L')}`}
              stroke="var(--red)"
              strokeWidth={2.4}
            />
          )}
          {taps.map(([x, y], i) => (
            <circle
              key={i}
              cx={x}
              cy={y}
              r={5}
              fill={i < 2 ? 'var(--red)' : 'var(--blue)'}
              stroke="var(--paper)"
              strokeWidth={1.6}
            />
          ))}
        </svg>
      </Face>
      <Row>
        <Label as="label" style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
          between the two marks
          <FieldInput
            aria-label="Between the two marks, mm"
            inputMode="decimal"
            value={mm}
            onChange={(event) => setMm(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && done()}
          />
          mm
        </Label>
        <Button onPress={back} isDisabled={taps.length === 0}>
          Undo a tap
        </Button>
      </Row>
      {whole ? (
        <Answer style={{ fontSize: 19 }}>
          {figure(said.area, 0)} mm² ±{figure(said.sigma, 0)}
        </Answer>
      ) : (
        ruler.length === 2 && outline.length > 0 && <p style={{ fontSize: 17 }}>{said.refused.why}</p>
      )}
      <Row>
        <MainButton onPress={done} isDisabled={!whole}>
          Log reading <Key>Enter</Key>
        </MainButton>
        <Button onPress={close}>Close</Button>
      </Row>
    </LargeSheet>
  )
}
