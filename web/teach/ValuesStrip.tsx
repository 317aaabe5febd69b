import { showValue } from '@ekrond/core/measure'
import { settingsInOrder } from '@ekrond/core/judge/settings'
import { settingKey, sourceWords, type SettingSpec, type SpecSheet } from '@ekrond/core/sheets'
import { sourceStandingOf } from '@ekrond/core/taught'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { StripCell } from '../shell/frame'
import { figures, narrow } from '../theme/global'
import { Fraction } from '../ui'

const Cell = styled(StripCell)`
  min-width: 104px;
  padding: 0;
  & > button {
    width: 100%;
    height: 100%;
    min-height: 96px;
    padding: 6px 10px;
    border: 0;
    background: none;
    text-align: left;
    cursor: pointer;
    color: var(--ink);
  }
  & h3 {
    font: 500 15px/22px ${narrow};
    color: var(--pencil);
    margin: 0;
  }
  & b {
    display: block;
    font: 500 18px/26px ${figures};
    letter-spacing: -0.03em;
    white-space: nowrap;
  }
  & span {
    display: block;
    font: 400 14px/18px ${narrow};
  }
  & .against {
    color: var(--red);
  }
`

/** In the order in which they are set, then what is only noted. */
const inOrder = (spec: SpecSheet): SettingSpec[] => [
  ...settingsInOrder(spec),
  ...spec.settings.filter((setting) => !setting.set),
]

/** Each value of a taught unit with where it comes from and how far it is trusted; a tap asks for it. */
export function ValuesStrip({
  open,
  asked,
  ask,
}: {
  open: OpenJob
  asked: string | null
  ask: (setting: SettingSpec) => void
}) {
  return (
    <>
      {inOrder(open.sheets!.spec).map((setting) => {
        const key = settingKey(setting)
        const { picked, against } = sourceStandingOf(open.state, open.body, setting)
        return (
          <Cell key={key} $here={key === asked}>
            <button type="button" onClick={() => ask(setting)}>
              <h3>{setting.short}</h3>
              <b style={picked ? {} : { color: 'var(--pencil)' }}>
                {picked ? <Fraction text={showValue(picked.target, setting.quantity)} /> : '?'}
              </b>
              <span>{picked ? sourceWords(picked.source) : 'no value yet'}</span>
              {against.length > 0 ? (
                <span className="against">{sourceWords(against[0]!.source)} differs</span>
              ) : (
                <span style={{ color: 'var(--pencil)' }}>{picked ? picked.trust : ''}</span>
              )}
            </button>
          </Cell>
        )
      })}
    </>
  )
}
