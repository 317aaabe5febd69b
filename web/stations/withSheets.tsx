import type { Sheets } from '@ekrond/core/sheets'
import type { ComponentType } from 'react'
import type { OpenJob } from '../data/job'
import { NotIdentified } from './NotIdentified'
import type { StationProps } from '../shell/props'

export type SheetedOpen = OpenJob & { sheets: Sheets }
export interface SheetedProps {
  open: SheetedOpen
}

/** A station that works to the sheets: without an identification it says so and offers that first. */
export const withSheets = (verb: string, Inner: ComponentType<SheetedProps>): ComponentType<StationProps> =>
  function Sheeted({ open }) {
    const { sheets } = open
    if (sheets) return <Inner open={{ ...open, sheets }} key={`${open.body} ${sheets.specRev}`} />
    return <NotIdentified open={open} what={verb} />
  }
