import { useEffect, useRef, useState, type ReactNode } from 'react'
import styled from 'styled-components'
import { narrow } from '../theme/global'

const Box = styled.div<{ $more: boolean }>`
  position: relative;
  /* What lies beside it may shrink it, and never lie over it. */
  min-height: ${({ $more }) => ($more ? '164px' : 0)};
  flex: 0 1 auto;
  display: flex;
  flex-direction: column;
  & > ol {
    overflow-y: auto;
    min-height: 120px;
  }
  & > button {
    align-self: stretch;
    min-height: 44px;
    border: 0;
    border-top: 2px solid var(--ink);
    background: var(--tint);
    color: var(--ink);
    font: 600 16px/1 ${narrow};
    text-align: left;
    padding: 0 14px;
    cursor: pointer;
  }
`

/** A list that may be longer than its place: how many lie below is said, and a tap goes on to them. */
export function Scrolled({ label, children }: { label: string; children: ReactNode }) {
  const list = useRef<HTMLOListElement>(null)
  const [below, setBelow] = useState(0)
  useEffect(() => {
    const box = list.current!
    const count = () => {
      const end = box.getBoundingClientRect().bottom
      setBelow([...box.children].filter((item) => item.getBoundingClientRect().bottom > end + 8).length)
    }
    count()
    box.addEventListener('scroll', count)
    const seen = new ResizeObserver(count)
    seen.observe(box)
    for (const item of box.children) seen.observe(item)
    return () => {
      box.removeEventListener('scroll', count)
      seen.disconnect()
    }
  }, [children])
  return (
    <Box $more={below > 0}>
      <ol ref={list} aria-label={label}>
        {children}
      </ol>
      {below > 0 && (
        <button
          type="button"
          onClick={() => list.current!.scrollBy({ top: list.current!.clientHeight - 30 })}
        >
          ↓ {below} more below
        </button>
      )}
    </Box>
  )
}
