import { settingKey, type SettingSpec } from '@ekrond/core/sheets'
import { noneOf } from '@ekrond/core/taught'
import { useState } from 'react'
import type { OpenJob } from '../data/job'
import { ErrorLine, QuietButton } from '../ui'

/** A taught unit lacks a setting that its family has: it goes off its sheet. */
export function NoneHere({ open, setting }: { open: OpenJob; setting: SettingSpec }) {
  const [wrong, setWrong] = useState('')
  const none = () => {
    const no = open.add('own.dimension', {
      fact: noneOf(settingKey(setting)),
      raw: 'not equipped',
      value: 'none',
      sigma: null,
      gauge: null,
    })
    setWrong(no?.sentence ?? '')
  }
  return (
    <>
      <QuietButton onPress={none}>Not equipped</QuietButton>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
    </>
  )
}
