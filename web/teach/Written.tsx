import type { DataOf } from '@ekrond/core/log'
import { parseLength } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import type { Position } from '@ekrond/core/sheets'
import { useState } from 'react'
import type { OpenJob } from '../data/job'
import { Choice, FieldInput, Label } from '../ui'

type Written = DataOf['own.part']

export interface WrittenPart {
  /** what was read of it that its family does not say; null where it is as drawn */
  entry: Written | null
  /** why a figure cannot be read */
  refused: string
  fields: React.ReactNode
}

/** How many of it, its stamp and its size, as it comes off: what a taught unit's build sheet is written from. */
export function useWritten(open: OpenJob, position: Position): WrittenPart {
  const before = open.here.ownParts[position.code]
  const [quantity, setQuantity] = useState(position.quantity)
  const [stamped, setStamped] = useState(before?.stamped ?? '')
  const [size, setSize] = useState(before?.mm != null ? String(before.mm) : '')
  const counts = position.quantity > 1 || before !== undefined
  const sized = position.kind === 'jet' || position.kind === 'washer' || position.kind === 'gasket'
  const read = size.trim() ? parseLength(size) : null
  const mm = read && !isRefusal(read) ? read.mm : null
  const changed =
    quantity !== position.quantity ||
    stamped !== (before?.stamped ?? '') ||
    (mm ?? null) !== (before?.mm ?? null)
  const entry = changed ? asPart(open, position, { quantity, stamped: stamped.trim(), mm }) : null
  const fields = (
    <div style={{ display: 'grid', gap: 8 }}>
      {counts && (
        <div role="group" aria-label="How many" style={{ display: 'flex', alignItems: 'center', gap: 10 }}>
          <Label>How many</Label>
          <Choice aria-label="one less" onPress={() => setQuantity(Math.max(1, quantity - 1))}>
            −
          </Choice>
          <b style={{ fontSize: 24, minWidth: 32, textAlign: 'center' }}>{quantity}</b>
          <Choice aria-label="one more" onPress={() => setQuantity(Math.min(40, quantity + 1))}>
            +
          </Choice>
        </div>
      )}
      {sized && (
        <div style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 14 }}>
          <div>
            <Label>Stamped on it</Label>
            <FieldInput
              aria-label="Stamped on it"
              value={stamped}
              onChange={(event) => setStamped(event.target.value)}
            />
          </div>
          <div>
            <Label>{position.kind === 'jet' ? 'Bore, by pins, mm' : 'Thickness, mm'}</Label>
            <FieldInput
              aria-label={position.kind === 'jet' ? 'Bore' : 'Thickness'}
              inputMode="decimal"
              value={size}
              onChange={(event) => setSize(event.target.value)}
            />
          </div>
        </div>
      )}
    </div>
  )
  return {
    entry,
    refused: read && isRefusal(read) ? read.refused.why : '',
    fields: counts || sized ? fields : null,
  }
}

/** A position as its entry has it, with what is told otherwise. */
export function asPart(open: OpenJob, position: Position, more: Partial<Written>): Written {
  const before = open.here.ownParts[position.code]
  return {
    position: position.code,
    name: position.name,
    kind: position.kind,
    circuit: position.circuit,
    place: before?.place ?? 'none',
    quantity: position.quantity,
    mm: before?.mm ?? null,
    part: before?.part ?? '',
    stamped: before?.stamped ?? '',
    underneath: before?.underneath ?? '',
    at: before?.at ? [before.at[0], before.at[1]] : null,
    absent: false,
    layer: before?.layer ?? null,
    ...more,
  }
}
