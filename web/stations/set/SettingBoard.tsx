import { useState } from 'react'
import styled from 'styled-components'
import { pictureFor } from '../../drawing/settings'
import { Board, BoardDrawing, BoardTitle } from '../../shell/frame'
import { Choice } from '../../ui'
import { useKeys } from '../../ui/keys'
import type { SheetedOpen } from '../withSheets'
import { InUse } from './InUse'
import type { SettingBenchView } from './useSettingBench'

const Views = styled.div`
  display: flex;
  border: 2px solid var(--ink);
  & > button {
    min-width: 96px;
    border: 0;
    border-radius: 0;
    font-weight: 500;
    justify-content: center;
    min-height: 44px;
  }
`

/** A setting drawn, as it is held or, where that differs, in use. */
export function SettingBoard({ open, bench }: { open: SheetedOpen; bench: SettingBenchView }) {
  const { sheets, here } = open
  const { spec } = sheets
  const { setting, conditions, reading, target } = bench
  const [side, setSide] = useState<'held' | 'use'>('held')
  useKeys({ v: () => setSide((now) => (now === 'held' ? 'use' : 'held')) })
  const { Picture, heading, inUse } = pictureFor(spec, setting.code)
  const drawn = { spec, setting, side: inUse ? side : ('held' as const) }
  const assumed = inUse && side === 'use' && conditions.assumes.length > 0
  return (
    <Board>
      <BoardTitle>
        <div>
          <h1>{heading?.(drawn) ?? setting.name}</h1>
          <p>
            {spec.taught
              ? `borrowed from its family, ${spec.taught.family}`
              : `drawn from ${spec.listNumber} geometry`}
            {assumed ? ` · assumed: ${conditions.assumes.join(', ')}` : ''}
          </p>
        </div>
        {inUse && (
          <Views role="group" aria-label="View">
            <Choice $on={side === 'held'} onPress={() => setSide('held')}>
              as held
            </Choice>
            <Choice $on={side === 'use'} onPress={() => setSide('use')}>
              in use
            </Choice>
          </Views>
        )}
      </BoardTitle>
      {inUse && side === 'held' && <InUse open={open} height={reading.value ?? target} wanted={target} />}
      <BoardDrawing>
        <Picture
          {...drawn}
          sheets={sheets}
          reading={reading}
          target={target}
          conditions={conditions}
          here={here}
        />
      </BoardDrawing>
    </Board>
  )
}
