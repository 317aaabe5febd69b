import { levelInUse } from '@ekrond/core/physics/float'
import { blendDensity } from '@ekrond/core/physics/metering'
import { isRefusal } from '@ekrond/core/base/refusal'
import { aim } from '@ekrond/core/judge/settings'
import type { Sheets } from '@ekrond/core/sheets'
import { known } from '@ekrond/core/taught'
import { FloatSection } from '../drawing/FloatSection'

/** A list number's float at its sheet's height and pressure, as held or in use. */
export function SpecSection({
  sheets,
  view,
}: {
  sheets: Pick<Sheets, 'spec' | 'build'>
  view: 'held' | 'use'
}) {
  const { spec } = sheets
  const height = spec.settings.find((s) => s.code === 'float.height')
  const target = (height && aim(height)) ?? spec.float.levelReading
  // Where the fuel stands is said of a taught unit only once all of it is measured.
  const reaches = known(spec).rungs.find(({ code }) => code === 'level')!.reached
  const level = levelInUse(spec.float, target, spec.supply.pressureKpa, blendDensity(0))
  return (
    <FloatSection
      sheets={sheets}
      reading={null}
      target={target}
      verdict={null}
      remedy={null}
      view={reaches ? view : 'held'}
      level={isRefusal(level) ? null : level}
      wantedBelowFace={isRefusal(level) ? 0 : level.belowFace}
      pressureKpa={spec.supply.pressureKpa}
    />
  )
}
