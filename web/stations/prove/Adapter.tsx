import { adapterPlate, plateSvg, type Flange } from '@ekrond/core/physics/adapter'
import { plainNumber } from '@ekrond/core/measure'
import { isRefusal } from '@ekrond/core/base/refusal'
import { useState } from 'react'
import styled from 'styled-components'
import { Choice, ErrorLine } from '../../ui'
import { Small, Smalls } from './Smalls'

const Box = styled.details`
  & > summary {
    min-height: 44px;
    display: flex;
    align-items: center;
    cursor: pointer;
    font-weight: 600;
    font-size: 16px;
  }
  & > div {
    display: grid;
    gap: 8px;
  }
`

const usual = { spacingMm: '68', boltMm: '8.5', nippleMm: '9.5', boreMm: '32' }
const NAMES = {
  spacingMm: 'Bolt spacing, mm',
  boltMm: 'Bolt hole',
  boreMm: 'Bore',
  nippleMm: 'Nipple hole',
} as const

/** A plate that closes a flange and holds a nipple, measured here and saved as a drawing at full size to be cut. */
export function Adapter({ name }: { name: string }) {
  const [bolts, setBolts] = useState<2 | 4>(2)
  const [text, setText] = useState({ spacingMm: '', boltMm: '', nippleMm: '', boreMm: '' })
  const number = (key: keyof typeof text) => plainNumber(text[key] || usual[key])
  const flange: Flange = {
    bolts,
    spacingMm: number('spacingMm'),
    boltMm: number('boltMm'),
    nippleMm: number('nippleMm'),
    boreMm: number('boreMm'),
  }
  const measured = text.spacingMm.trim() !== '' && text.boreMm.trim() !== ''
  const plate = adapterPlate(flange)
  const svg = isRefusal(plate) ? '' : plateSvg(plate)
  return (
    <Box>
      <summary>Adapter plate, as a cutting file</summary>
      <div>
        <div style={{ display: 'flex', gap: 8 }}>
          {([2, 4] as const).map((n) => (
            <Choice key={n} $on={bolts === n} onPress={() => setBolts(n)}>
              {n === 2 ? 'two bolts' : 'four bolts'}
            </Choice>
          ))}
        </div>
        <Smalls style={{ gridTemplateColumns: '1fr 1fr' }}>
          {(Object.keys(NAMES) as (keyof typeof NAMES)[]).map((key) => (
            <Small
              key={key}
              label={NAMES[key]}
              value={text[key]}
              usual={usual[key]}
              set={(value) => setText({ ...text, [key]: value })}
            />
          ))}
        </Smalls>
        {isRefusal(plate) ? (
          <ErrorLine role="alert">{plate.refused.why}</ErrorLine>
        ) : (
          <>
            <div
              role="img"
              aria-label={`The plate: ${bolts} bolt holes and a nipple`}
              style={{ maxWidth: 220 }}
              dangerouslySetInnerHTML={{
                __html: svg
                  .replace(/width="[^"]*" height="[^"]*"/, 'width="100%"')
                  .replaceAll('#000', 'currentColor')
                  .replace('stroke-width="0.1"', 'stroke-width="0.8"'),
              }}
            />
            {measured ? (
              <a
                download={`adapter-${name}.svg`}
                href={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`}
                style={{ fontWeight: 600, padding: '12px 0', textUnderlineOffset: 4 }}
              >
                Save full size, mm
              </a>
            ) : (
              <p style={{ fontSize: 15 }}>
                Measure bolts and bore on this unit first: the library does not have its flange.
              </p>
            )}
          </>
        )}
      </div>
    </Box>
  )
}
