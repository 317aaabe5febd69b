import { FloatSection } from '../FloatSection'
import { isOut, type SettingPicture } from './props'

export const floatDropPicture: SettingPicture = {
  heading: ({ spec }) => `${spec.section.title}, float hanging`,
  Picture: ({ spec, sheets, reading, target, conditions }) => (
    <FloatSection
      sheets={sheets}
      reading={reading.value}
      target={target}
      verdict={reading.shown?.verdict ?? null}
      remedy={isOut(reading) ? (reading.shown!.remedy?.short ?? null) : null}
      view="held"
      drop
      level={null}
      wantedBelowFace={spec.level.target}
      pressureKpa={conditions.pressureKpa}
    />
  ),
}
