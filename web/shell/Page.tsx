import type { ReactNode } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import { useShop } from '../data/shop'
import { usePerson } from '../data/person'
import { useSheetTheme } from '../theme/sheet'
import { narrow } from '../theme/global'
import { QuietButton } from '../ui'
import { useScanner } from '../ui/scanner'
import { Frame } from './frame'

const Head = styled.header`
  display: flex;
  align-items: stretch;
  border-bottom: 2px solid var(--ink);
  & > * {
    border-right: 1px solid var(--rule);
    padding: 0 18px;
    display: flex;
    align-items: center;
    gap: 12px;
    min-height: 50px;
  }
  & > *:last-child {
    border-right: 0;
  }
  & h1 {
    font: 600 20px/1 ${narrow};
  }
  & h1 + span {
    color: var(--pencil);
    font: 400 18px/1 ${narrow};
  }
  @media (max-width: 999px) {
    flex-wrap: wrap;
    & > * {
      flex-wrap: wrap;
      gap: 0 12px;
    }
  }
  @media print {
    border-bottom: 0;
    /* Paper has no buttons: the sheet's name and the day stay. */
    & > *:not(:first-child):not(span) {
      display: none;
    }
  }
`

const Body = styled.div`
  /* What is placed in it scrolls with it and does not widen the window. */
  position: relative;
  overflow: auto;
  min-height: 0;
  grid-row: 2 / 4;
`

/** A sheet that belongs to no job: the rack, the library. */
export function Page({ title, head, children }: { title: string; head?: ReactNode; children: ReactNode }) {
  const shop = useShop().data
  const [theme, toggle] = useSheetTheme()
  useScanner()
  const { person } = usePerson()
  return (
    <Frame>
      <div>
        <Head>
          <Link to="/" style={{ textDecoration: 'none' }}>
            <h1>{shop?.name.replace(/ Carburetor Works$/, '') ?? 'Ekrond'}</h1>
            <span>{title}</span>
          </Link>
          {head}
          <div style={{ borderRight: 0, marginLeft: 'auto' }}>
            {title !== 'library' && (
              <Link to="/library" style={{ textUnderlineOffset: 4 }}>
                Library
              </Link>
            )}
            {title !== 'figures' && (
              <Link to="/figures/jets" style={{ textUnderlineOffset: 4 }}>
                Figures
              </Link>
            )}
            {title !== 'stores' && (
              <Link to="/shop/stores/part" style={{ textUnderlineOffset: 4 }}>
                Stores
              </Link>
            )}
            {title !== 'the shop' && (
              <Link to="/shop" style={{ textUnderlineOffset: 4 }}>
                Shop
              </Link>
            )}
            <QuietButton
              onPress={toggle}
              aria-label={`Switch to ${theme === 'light' ? 'blueprint' : 'paper'}`}
            >
              {theme === 'light' ? 'Blueprint' : 'Paper'}
            </QuietButton>
            {person && <span style={{ color: 'var(--pencil)', fontSize: 15 }}>{person}</span>}
          </div>
        </Head>
        <Body as="main" tabIndex={0} aria-label={title || 'sheet'}>
          {children}
        </Body>
      </div>
    </Frame>
  )
}
