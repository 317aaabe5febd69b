import { boxOf, shapeOf } from '@ekrond/core/unit/drawing'
import type { DataOf } from '@ekrond/core/log'
import { parseLength } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { partKinds, partsTable, type PartKind } from '@ekrond/core/sheets'
import { capital } from '@ekrond/core/base/words'
import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { Pieces } from '../drawing/Pieces'
import { Ask, AskFoot } from '../shell/frame'
import { narrow } from '../theme/global'
import { Choice, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../ui'
import { useKeys } from '../ui/keys'

/** What a part can be that nobody’s book names, as the table of parts has them. */
const OFFERED = partKinds.filter((kind) => partsTable[kind].taught)
const CIRCUITS = ['fuel', 'air', 'vacuum', 'none'] as const

const Tiles = styled.div`
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 5px;
`

const Tile = styled(Choice)`
  min-height: 54px;
  padding: 4px 2px;
  flex-direction: column;
  gap: 2px;
  justify-content: center;
  font: 500 14px/1.1 ${narrow};
  & > svg {
    width: 48px;
    height: 30px;
  }
`

/** A kind's shape, as large as its tile takes it. */
function Shape({ kind, on }: { kind: PartKind; on: boolean }) {
  const pieces = shapeOf(kind)
  const { x0, x1, y0, y1 } = boxOf(pieces)
  const perMm = Math.min(44 / (x1 - x0), 26 / Math.max(y1 - y0, 1), 3)
  const view = { perMm, origin: [24 - ((x0 + x1) / 2) * perMm, 15 + ((y0 + y1) / 2) * perMm] as const }
  return (
    <svg viewBox="0 0 48 30" aria-hidden style={on ? { filter: 'invert(1)' } : {}}>
      <Pieces pieces={pieces} mode="on" view={view} />
    </svg>
  )
}

/** A part that its family does not have: what it is by its shape, its circuit, how many, its size, and where it sat. */
export function NewPart({
  open,
  layer,
  at,
  done,
}: {
  open: OpenJob
  /** the layer that is coming off now */
  layer: number
  /** where somebody tapped the drawing, mm */
  at: readonly [number, number] | null
  done: () => void
}) {
  const [kind, setKind] = useState<PartKind | null>(null)
  const [circuit, setCircuit] = useState<(typeof CIRCUITS)[number]>('fuel')
  const [name, setName] = useState('')
  const [quantity, setQuantity] = useState(1)
  const [size, setSize] = useState('')
  const [wrong, setWrong] = useState('')
  const words = kind ? partsTable[kind].words : ''
  const write = () => {
    if (!kind) return setWrong('Which of these is it most like?')
    const read = size.trim() ? parseLength(size) : null
    if (read && isRefusal(read)) return setWrong(read.refused.why)
    const number = Object.keys(open.here.ownParts).filter((code) => code.startsWith('own.')).length + 1
    const position = `own.${number}`
    const part: DataOf['own.part'] = {
      position,
      name: name.trim() || capital(words),
      kind,
      circuit,
      place: 'none',
      quantity,
      mm: read?.mm ?? null,
      part: '',
      stamped: '',
      underneath: '',
      at: at ? [at[0], at[1]] : null,
      absent: false,
      layer,
    }
    const no = open.add('own.part', part)
    if (no) return setWrong(no.sentence)
    done()
  }
  useKeys({ Enter: write })
  return (
    <Ask aria-label="Current step">
      <Label>Building its own sheet</Label>
      <h2>What did you remove?</h2>
      <Tiles role="group" aria-label="Kind">
        {OFFERED.map((one) => (
          <Tile
            key={one}
            $on={kind === one}
            aria-pressed={kind === one}
            onPress={() => {
              setKind(one)
              setWrong('')
            }}
          >
            <Shape kind={one} on={kind === one} />
            {partsTable[one].words}
          </Tile>
        ))}
      </Tiles>
      <div
        role="group"
        aria-label="What it carries"
        style={{ display: 'grid', gridTemplateColumns: 'repeat(4, 1fr)', gap: 6 }}
      >
        {CIRCUITS.map((one) => (
          <Choice
            key={one}
            $on={circuit === one}
            aria-pressed={circuit === one}
            onPress={() => setCircuit(one)}
            style={{ justifyContent: 'center' }}
          >
            {one === 'none' ? 'neither' : one}
          </Choice>
        ))}
      </div>
      <div style={{ display: 'grid', gridTemplateColumns: '2fr 1fr 1fr', gap: 14 }}>
        <div>
          <Label>Name it</Label>
          <FieldInput
            aria-label="Name it"
            placeholder={words}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        <div>
          <Label>How many</Label>
          <FieldInput
            aria-label="How many"
            inputMode="numeric"
            value={String(quantity)}
            onChange={(event) =>
              setQuantity(Math.min(40, Math.max(1, Number(event.target.value.replace(/\D/g, '')) || 1)))
            }
          />
        </div>
        <div>
          <Label>Size, mm</Label>
          <FieldInput
            aria-label="Size"
            inputMode="decimal"
            value={size}
            onChange={(event) => setSize(event.target.value)}
          />
        </div>
      </div>
      <p style={{ fontSize: 16 }}>
        {at ? `Position: ${at[0]} mm across, ${at[1]} up.` : 'Tap the drawing where it was.'}
      </p>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={write}>
          Add to sheet <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={done}>Nothing else</QuietButton>
      </AskFoot>
    </Ask>
  )
}
