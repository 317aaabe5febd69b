import type { Conditions } from '@ekrond/core/sheets/conditions'
import type { BodyState } from '@ekrond/core/log'
import type { ReadingView } from '@ekrond/core/judge/settings'
import type { SettingSpec, Sheets, SpecSheet } from '@ekrond/core/sheets'
import type { ComponentType } from 'react'

/** What the picture of a setting is drawn from. */
export interface SettingPictureProps {
  spec: SpecSheet
  sheets: Sheets
  setting: SettingSpec
  /** where it stands, and what that is worth; nothing where it was not read */
  reading: Pick<ReadingView, 'value' | 'shown'>
  /** where it is to stand, stored units */
  target: number
  conditions: Conditions
  here: BodyState
  side: 'held' | 'use'
}

export interface SettingPicture {
  Picture: ComponentType<SettingPictureProps>
  /** what is drawn, over the drawing; without it the setting's own name stands there */
  heading?: (props: Pick<SettingPictureProps, 'spec' | 'setting' | 'side'>) => string
  /** it is drawn as held and in use */
  inUse?: true
}

export const isOut = (reading: SettingPictureProps['reading']): boolean => reading.shown?.verdict === 'out'
