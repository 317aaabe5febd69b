import type { DrawnFrom } from '@ekrond/core/unit/families'
import { breathes, type Described } from '@ekrond/core/taught'
import styled from 'styled-components'
import { WholeUnit } from '../drawing/WholeUnit'

type Family = keyof typeof breathes

const Units = styled.div`
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  grid-auto-rows: minmax(150px, 1fr);
  gap: 10px;
  margin-top: 12px;
  overflow-y: auto;
  & > button {
    display: flex;
    flex-direction: column;
    gap: 6px;
    min-height: 0;
    padding: 10px 12px;
    border: 1.5px solid var(--rule);
    border-radius: 2px;
    background: none;
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    text-align: left;
    cursor: pointer;
  }
  & > button:hover {
    border-color: var(--ink);
  }
  & > button > span {
    flex: 1;
    min-height: 0;
    width: 100%;
  }
  @media (max-width: 999px) {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
`

/** What each family looks like in section: a tap on the likest one says how the unit breathes. */
export function FamilyGallery({
  families,
  choose,
}: {
  families: Readonly<Record<Family, DrawnFrom>>
  choose: (described: Described) => void
}) {
  return (
    <Units role="group" aria-label="Families">
      {(Object.keys(breathes) as Family[]).map((family) => (
        <button
          key={family}
          type="button"
          onClick={() => choose({ ...breathes[family], barrels: families[family].spec.barrels })}
        >
          <span>
            <WholeUnit sheets={families[family]} title="" />
          </span>
          {family}
        </button>
      ))}
    </Units>
  )
}
