import type { Offered } from '@ekrond/core/plan/jets'
import { figure } from '@ekrond/core/measure'
import styled from 'styled-components'
import { StripCell } from '../../../shell/frame'
import { QuietButton } from '../../../ui'
import { figures, narrow } from '../../../theme/global'

const Head = styled(StripCell)`
  flex: 0 0 92px;
  padding-left: 12px;
  & > b {
    font: 600 16px/1.2 ${narrow};
  }
`

const One = styled.button<{ $on: boolean; $own: boolean; $had: boolean }>`
  flex: 1 0 62px;
  max-width: 92px;
  min-width: 62px;
  border: 0;
  border-right: 1px solid var(--rule);
  border-top: 4px solid ${({ $on }) => ($on ? 'var(--blue)' : 'transparent')};
  background: ${({ $on }) => ($on ? 'var(--tint)' : 'transparent')};
  padding: 6px 4px;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  color: ${({ $had }) => ($had ? 'var(--ink)' : 'var(--pencil)')};
  font: 500 15px/1.15 ${narrow};
  cursor: pointer;
  & > b {
    font: ${({ $on }) => ($on ? 600 : 500)} 18px/1.2 ${figures};
    letter-spacing: -0.03em;
    text-decoration: ${({ $own }) => ($own ? 'underline' : 'none')};
    text-underline-offset: 4px;
  }
  & > svg {
    height: 44px;
  }
`

/** So many sizes are shown to either side of what is wanted. */
const BESIDE = 3

/** Some sizes about the sheet's own and the one that is proposed, those first. */
function shown({ sizes, own, proposed }: Offered) {
  const [lo, hi] = [Math.min(own, proposed), Math.max(own, proposed)]
  const first = sizes.findIndex(({ mm }) => mm >= lo - 1e-6)
  const last = sizes.findLastIndex(({ mm }) => mm <= hi + 1e-6)
  return sizes
    .slice(Math.max(0, first - BESIDE), last + 1 + BESIDE)
    .filter(({ mm }, _, all) => all.length <= 9 || mm <= lo + 0.08 || mm >= hi - 0.08)
}

/** A jet to scale for its bore: head, slot, thread; dashed where nobody has it here. */
function Jet({ bore, had }: { bore: number; had: boolean }) {
  const half = Math.min(5.4, Math.max(1, bore * 2.6))
  return (
    <svg viewBox="0 0 30 44" aria-hidden>
      <g fill="none" stroke="currentColor" strokeWidth="1.6" strokeDasharray={had ? undefined : '3 3'}>
        <path d="M4 3H26V17H21V41H9V17H4Z" />
        {had && (
          <path
            d={`M${15 - half} 3V41M${15 + half} 3V41M9 22L21 22M9 27L21 27M9 32L21 32M9 37L21 37`}
            strokeWidth="1"
          />
        )}
      </g>
      {had && <rect x={15 - half} y="2" width={2 * half} height="40" fill="var(--paper)" />}
      {had && (
        <path
          d={`M${15 - half} 3V41M${15 + half} 3V41`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.4"
        />
      )}
    </svg>
  )
}

/** What lies in the drawer and what can be ordered of one jet, smallest first: a tap tries another. */
export function Sizes({
  offered,
  pick,
  next,
}: {
  offered: Offered
  pick: (mm: number) => void
  /** to the next jet of the unit; absent where there is one only */
  next?: () => void
}) {
  const sizes = shown(offered)
  return (
    <>
      <Head>
        <b>{offered.name}</b>
        {next ? <QuietButton onPress={next}>next jet</QuietButton> : <span>by size, mm</span>}
      </Head>
      {sizes.length === 0 && (
        <StripCell style={{ flex: '1 1 auto', padding: '12px 16px' }}>
          No sizes of it in Stores: every 0.025 mm was taken. Give its jets a mark such as 1.05 mm there.
        </StripCell>
      )}
      {sizes.map(({ mm, drawer, buy }) => {
        const on = Math.abs(mm - offered.proposed) < 1e-6
        const own = Math.abs(mm - offered.own) < 1e-6
        return (
          <One
            key={mm}
            type="button"
            $on={on}
            $own={own}
            $had={drawer > 0}
            aria-pressed={on}
            aria-label={`${offered.name} ${figure(mm, 2)}${own ? ', the sheet’s' : ''}`}
            onClick={() => pick(mm)}
          >
            <b>{figure(mm, 2)}</b>
            <Jet bore={mm} had={drawer > 0} />
            <span>{own ? 'sheet’s' : drawer > 0 ? `${drawer} here` : buy ? 'order' : 'none'}</span>
          </One>
        )
      })}
    </>
  )
}
