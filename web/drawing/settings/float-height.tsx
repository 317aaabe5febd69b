import { levelInUse } from '@ekrond/core/physics/float'
import { isRefusal } from '@ekrond/core/base/refusal'
import { heldWords, wantedLevel } from '@ekrond/core/judge/settings'
import { FloatSection } from '../FloatSection'
import { isOut, type SettingPicture } from './props'

export const floatHeightPicture: SettingPicture = {
  inUse: true,
  heading: ({ spec, setting, side }) =>
    `${spec.section.title}, ${side === 'use' ? 'in use' : `as held: ${heldWords[setting.held]}`}`,
  Picture({ spec, sheets, reading, target, conditions, side }) {
    const { pressureKpa, densityKgM3 } = conditions
    const level = levelInUse(spec.float, reading.value ?? target, pressureKpa, densityKgM3)
    return (
      <FloatSection
        sheets={sheets}
        reading={reading.value}
        target={target}
        verdict={reading.shown?.verdict ?? null}
        remedy={isOut(reading) ? (reading.shown!.remedy?.short ?? null) : null}
        view={side}
        level={isRefusal(level) ? null : level}
        wantedBelowFace={wantedLevel(spec, target, conditions) ?? spec.level.target}
        pressureKpa={pressureKpa}
      />
    )
  },
}
