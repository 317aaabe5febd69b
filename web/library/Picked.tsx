import type { ListNumberAnswer } from '@ekrond/contract/library'
import { settingsInOrder } from '@ekrond/core/judge/settings'
import { settingKey } from '@ekrond/core/sheets'
import { useQuery } from '@tanstack/react-query'
import styled from 'styled-components'
import { type ApiError } from '../data/api'
import { listNumberQuery } from '../data/library'
import { WholeUnit } from '../drawing/WholeUnit'
import { figures } from '../theme/global'
import { ErrorLine, Fraction, Key, Label, MainButton } from '../ui'

const Values = styled.dl`
  & > div {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    border-top: 1px solid var(--rule);
    padding: 5px 0;
    font-size: 16px;
  }
  & dd {
    font: 500 17px/1.3 ${figures};
    letter-spacing: -0.03em;
    text-align: right;
  }
`

/** Values that are worth a line before the sheet is opened. */
const SHOWN = 6

/** The list number that is looked at: its float's section, its values, and the way to its sheet. */
export function Picked({ listNumber, open }: { listNumber: string; open: (listNumber: string) => void }) {
  const { data, error } = useQuery<ListNumberAnswer, ApiError>(listNumberQuery(listNumber))
  if (error) return <ErrorLine>{error.message}</ErrorLine>
  const spec = data?.sheets.spec
  return (
    <>
      <h2 className="figures" style={{ fontSize: 26, lineHeight: 1.2 }}>
        {listNumber}
      </h2>
      <Label as="p">
        {data
          ? `${data.maker} ${data.modelName}${spec && spec.engine.displacementL > 0 ? `, ${spec.engine.displacementL} L` : ''}`
          : 'Loading its sheet …'}
      </Label>
      {data && spec && (
        <>
          <div style={{ height: 230, margin: '0 -8px' }}>
            <WholeUnit sheets={data.sheets} title={`${data.modelName} in section`} />
          </div>
          <Values>
            {settingsInOrder(spec)
              .slice(0, SHOWN)
              .map((setting) => (
                <div key={settingKey(setting)}>
                  <dt>{setting.name}</dt>
                  <dd>
                    <Fraction text={setting.asWritten} />
                  </dd>
                </div>
              ))}
          </Values>
          {data.supersedes.length > 0 && <Label as="p">replaces {data.supersedes.join(', ')}</Label>}
          <MainButton onPress={() => open(listNumber)}>
            Open its sheet <Key>Enter</Key>
          </MainButton>
        </>
      )}
    </>
  )
}
