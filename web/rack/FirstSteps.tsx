import { Link } from 'react-router'
import styled from 'styled-components'
import { useShop } from '../data/shop'
import { Tick } from '../ui'

const Steps = styled.ol`
  list-style: none;
  margin: 22px 0 0;
  padding: 0;
  max-width: 640px;
  & > li {
    display: grid;
    grid-template-columns: 44px minmax(0, 1fr);
    gap: 4px 12px;
    padding: 12px 0;
    border-top: 1px solid var(--rule);
    font-size: 17px;
  }
  & > li > span {
    width: 34px;
    height: 34px;
    border: 2px solid var(--ink);
    border-radius: 50%;
    display: grid;
    place-items: center;
    font-weight: 600;
  }
  & a {
    font-weight: 600;
    text-underline-offset: 4px;
  }
`

/** A new shop's first three steps, until somebody hangs on its rack. */
export function FirstSteps() {
  const shop = useShop().data
  if (!shop) return null
  const named = shop.people.length > 0
  return (
    <Steps aria-label="First steps">
      <li>
        <span>{named ? <Tick /> : 1}</span>
        <p>
          <Link to="/shop">Enter your shop</Link> and who works here. A release with an exception needs a
          second name.
        </p>
      </li>
      <li>
        <span>2</span>
        <p>
          <Link to="/receive">Open the first job</Link>: whose it is, what the complaint is, when it is
          promised.
        </p>
      </li>
      <li>
        <span>3</span>
        <p>
          Teach it. No library is needed: as-found readings, teardown and a caliper write its sheets, and the
          next one like it is found by them. Or <Link to="/library/import">import a catalog</Link>.
        </p>
      </li>
    </Steps>
  )
}
