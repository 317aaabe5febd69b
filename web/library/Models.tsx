import type { ListNumbersAnswer } from '@ekrond/contract/library'
import styled from 'styled-components'
import { narrow } from '../theme/global'
import { ModelMark } from './ModelMark'

const Strip = styled.div`
  display: flex;
  flex-wrap: wrap;
  padding: 0 4px;
  border-bottom: 2px solid var(--ink);
  & > section {
    flex: 1 1 auto;
    padding: 8px 0 0;
  }
  & > section + section {
    border-left: 1px solid var(--rule);
  }
  & h2 {
    font: 500 15px/1.2 ${narrow};
    color: var(--pencil);
    text-align: center;
  }
  & > section > div {
    display: flex;
    flex-wrap: wrap;
    justify-content: center;
  }
  @media (max-width: 900px) {
    flex-wrap: nowrap;
    overflow-x: auto;
    & > section > div {
      flex-wrap: nowrap;
    }
  }
`

const Model = styled.button`
  border: 0;
  background: none;
  display: grid;
  justify-items: center;
  align-content: end;
  gap: 1px;
  min-height: 44px;
  padding: 2px 2px 8px;
  width: 100px;
  cursor: pointer;
  border-bottom: 4px solid transparent;
  & > b {
    font: 600 17px/1.2 ${narrow};
  }
  & > small {
    font: 500 14px/1.15 ${narrow};
    color: var(--pencil);
    min-height: 33px;
    text-align: center;
    text-wrap: balance;
  }
  &[aria-pressed='true'] {
    border-bottom-color: var(--blue);
    background: var(--tint);
  }
  &[aria-pressed='true'] > b {
    color: var(--blue);
  }
`

type Row = ListNumbersAnswer['listNumbers'][number]

/** Every model by its maker, its flange to one scale with all the others. */
export function Models({
  rows,
  shown,
  pick,
}: {
  rows: readonly Row[]
  shown: string
  pick: (model: string) => void
}) {
  const makers = [...new Set(rows.map(({ maker }) => maker))]
  return (
    <Strip>
      {makers.map((maker) => {
        const models = [...new Set(rows.filter((row) => row.maker === maker).map(({ model }) => model))]
        return (
          <section key={maker} aria-label={maker}>
            <h2>{maker}</h2>
            <div>
              {models.map((model) => {
                const here = rows.filter((row) => row.model === model)
                const name = here[0]!.modelName
                // Its name goes on where its code ends: "K-44 two-barrel downdraft".
                const kind = name.startsWith(model) ? name.slice(model.length).trim() : name
                return (
                  <Model
                    key={model}
                    type="button"
                    aria-pressed={model === shown}
                    aria-label={`${name}, ${here.length === 1 ? '1 list number' : `${here.length} list numbers`}`}
                    onClick={() => pick(model)}
                  >
                    <ModelMark features={here[0]!.features} />
                    <b>{name.startsWith(model) ? model : name.split(' ')[0]}</b>
                    <small>
                      {kind} · {here.length}
                    </small>
                  </Model>
                )
              })}
            </div>
          </section>
        )
      })}
    </Strip>
  )
}
