import { showValue } from '@ekrond/core/measure'
import { settingKey, type SettingSpec, type Sheets } from '@ekrond/core/sheets'
import { settingsInOrder, aim, readingView } from '@ekrond/core/judge/settings'
import type { OpenJob } from '../data/job'
import styled from 'styled-components'
import { figures, narrow } from '../theme/global'
import { Fraction, Tick } from '../ui'
import { StripCell } from './frame'
import { StateShape } from './StateShape'

const Labels = styled.div`
  flex: 0 0 72px;
  padding: 8px 2px 6px 12px;
  border-top: 4px solid transparent;
  font: 500 15px/25px ${narrow};
  color: var(--pencil);
  & > span:first-child {
    display: block;
    height: 23px;
  }
  & > span {
    display: block;
  }
`

const Cell = styled(StripCell)`
  min-width: 66px;
  padding-right: 3px;
  padding-left: 5px;
  & > * {
    display: block;
    height: 25px;
    line-height: 25px;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  & > h3 {
    font: 500 15px/23px ${narrow};
    height: 23px;
    color: var(--pencil);
  }
  & > span {
    font: 400 15px/25px ${figures};
    letter-spacing: -0.04em;
  }
  & > .pencil {
    color: var(--pencil);
  }
  & > .left {
    font-weight: 600;
    letter-spacing: -0.07em;
  }
`

/** A drill stays the drill that was typed; everything else is shown from its stored value. */
export const asTyped = (raw: string, value: number, setting: SettingSpec) =>
  /^(#\d+|[A-Za-z])$/.test(raw) ? raw.toUpperCase() : showValue(value, setting.quantity)

/** The spec in a narrow column: what is aimed at, the band stands at the reading. */
const inShort = (setting: SettingSpec): string =>
  setting.source === 'none yet'
    ? '?'
    : / to /.test(setting.asWritten)
      ? showValue(aim(setting)!, setting.quantity)
      : setting.asWritten.replace(/ ±.*| on$/, '')

/** Spec, as found and as left for every setting of the job. */
export function SettingsStrip({
  open,
  here,
  order = 'set',
}: {
  open: OpenJob & { sheets: Sheets }
  here?: string
  order?: 'set' | 'asfound'
}) {
  const { state, sheets, here: body } = open
  const { spec } = sheets
  const set = settingsInOrder(spec)
  const settings = order === 'set' ? [...set, ...spec.settings.filter((s) => !s.set)] : spec.settings
  return (
    <>
      <Labels aria-hidden>
        <span />
        <span>spec</span>
        <span>as found</span>
        <span>as left</span>
      </Labels>
      {settings.map((setting) => {
        const key = settingKey(setting)
        const found = body.asFound[key]
        const { last, holds, again } = readingView(state, sheets, setting, open.body)
        return (
          <Cell key={key} $here={key === here}>
            <h3>{setting.short}</h3>
            <span aria-label={`spec ${setting.asWritten}`}>
              <Fraction text={inShort(setting)} />
            </span>
            <span className="pencil" aria-label="as found">
              {found ? (
                <Fraction text={asTyped(found.raw, found.value, setting)} />
              ) : body.asFoundSkipped[key] ? (
                'skipped'
              ) : (
                '·'
              )}
            </span>
            <span className={holds ? 'left' : 'pencil'} aria-label="as left">
              {last ? <Fraction text={asTyped(last.raw, last.value, setting)} /> : '·'}
              {holds && <Tick size={12} />}
              {again && <StateShape state="again" />}
            </span>
          </Cell>
        )
      })}
    </>
  )
}
