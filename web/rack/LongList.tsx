import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { flushSync } from 'react-dom'
import styled from 'styled-components'

/** So many rows are simply drawn; of more only those in sight. */
const MOST_DRAWN = 120
const ROW_PX = 48

const Scroll = styled.div`
  height: 100%;
  overflow: auto;
  @media (max-width: 999px) {
    height: 80vh;
  }
  @media print {
    height: auto;
    overflow: visible;
  }
`
const List = styled.ol`
  position: relative;
`

/** A list of which only what is in sight is drawn, however long it is; on paper all of it. Each row is an `li`. */
export function LongList<T>({
  items,
  keyOf,
  children,
}: {
  items: readonly T[]
  keyOf: (item: T) => string
  children: (item: T, at: number) => ReactNode
}) {
  const scroll = useRef<HTMLDivElement>(null)
  const printing = usePrinting()
  // oxlint-disable-next-line react-hooks/incompatible-library -- it watches its own scroll element
  const rows = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_PX,
    getItemKey: (at) => keyOf(items[at]!),
    overscan: 12,
  })
  if (printing || items.length <= MOST_DRAWN)
    return (
      <ol>
        {items.map((item, at) => (
          <li key={keyOf(item)}>{children(item, at)}</li>
        ))}
      </ol>
    )
  return (
    <Scroll ref={scroll} tabIndex={0} role="region" aria-label={`${items.length} entries`}>
      <List style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ key, index, start }) => (
          <li
            key={key}
            ref={rows.measureElement}
            data-index={index}
            aria-posinset={index + 1}
            aria-setsize={items.length}
            style={{ position: 'absolute', top: 0, left: 0, right: 0, transform: `translateY(${start}px)` }}
          >
            {children(items[index]!, index)}
          </li>
        ))}
      </List>
    </Scroll>
  )
}

/** Whether the page is being put on paper, where everything must stand. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    const before = () => flushSync(() => setPrinting(true))
    const after = () => setPrinting(false)
    window.addEventListener('beforeprint', before)
    window.addEventListener('afterprint', after)
    return () => {
      window.removeEventListener('beforeprint', before)
      window.removeEventListener('afterprint', after)
    }
  }, [])
  return printing
}
