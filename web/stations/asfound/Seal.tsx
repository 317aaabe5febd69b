import { type SettingSpec, settingKey } from '@ekrond/core/sheets'
import { useState } from 'react'
import { Choice, ErrorLine, Label } from '../../ui'
import type { StationProps } from '../../shell/props'

const WHOM = ['by the owner', 'by another shop', 'here', 'not known'] as const

/** The seal of a sealed adjuster, before it is turned: intact, or broken and by whom. */
export function Seal({ open, setting }: StationProps & { setting: SettingSpec }) {
  const [wrong, setWrong] = useState('')
  const seen = open.here.seals[settingKey(setting)]
  const see = (state: 'intact' | 'broken', whom = '') => {
    const no = open.add('seal.seen', { code: setting.code, place: setting.place, state, whom })
    setWrong(no?.sentence ?? '')
  }
  return (
    <div role="group" aria-label="Seal" style={{ display: 'grid', gap: 6 }}>
      <Label>Seal · local law says who may turn a sealed adjuster</Label>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
        <Choice $on={seen?.state === 'intact'} onPress={() => see('intact')}>
          Intact
        </Choice>
        {seen?.state === 'broken' ? (
          WHOM.map((whom) => (
            <Choice key={whom} $on={seen.whom === whom} onPress={() => see('broken', whom)}>
              {whom}
            </Choice>
          ))
        ) : (
          <Choice onPress={() => see('broken')}>Broken</Choice>
        )}
      </div>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </div>
  )
}
