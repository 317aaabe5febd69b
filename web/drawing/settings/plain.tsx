import { showValue } from '@ekrond/core/measure'
import { Drawing, Text } from '../index'
import { ScrewDial } from '../ScrewDial'
import { LeverHoles } from './lever-holes'
import { isOut, type SettingPicture } from './props'

/** A setting that has no mechanism of its own to draw: a screw's head where turns are counted, a lever where its holes are, else what it stands at and wants. */
export const plainPicture: SettingPicture = {
  Picture({ setting, reading, target }) {
    if (setting.quantity === 'count')
      return <LeverHoles hole={reading.value} target={target} name={setting.name} />
    const now = reading.value === null ? 'not recorded' : showValue(reading.value, setting.quantity)
    const wants = showValue(target, setting.quantity)
    return (
      <Drawing width={760} height={500} title={`${setting.name}: ${now}, target ${wants}.`}>
        {setting.quantity === 'turns' ? (
          <ScrewDial at={[380, 220]} radius={110} eighths={reading.value} state="now" label={setting.name} />
        ) : (
          <>
            <Text
              at={[380, 220]}
              anchor="middle"
              size={64}
              face="figures"
              colour={isOut(reading) ? 'red' : 'ink'}
            >
              {now}
            </Text>
            <path d="M260 250H500" stroke="var(--ink)" strokeWidth={2} />
          </>
        )}
        <Text at={[380, 430]} anchor="middle" size={20}>
          {`target ${wants} · ${setting.datum}`}
        </Text>
      </Drawing>
    )
  },
}
