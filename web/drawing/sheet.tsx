import { createContext, useContext, useEffect, useRef, useState, type ReactNode, type RefObject } from 'react'

/** No word on a drawing is smaller on the screen, px. */
const LEAST_PX = 14

/** Screen pixels to a unit of the drawing that stands around. */
const PixelsPerUnit = createContext(1)

/** An element and its size on the screen, px; 0 by 0 until it was measured. */
export function useSize<E extends Element>(): [RefObject<E | null>, { width: number; height: number }] {
  const box = useRef<E>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  useEffect(() => {
    const seen = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect
      setSize({ width, height })
    })
    seen.observe(box.current!)
    return () => seen.disconnect()
  }, [])
  return [box, size]
}

/** A size for words in the drawing's units, so that none is under 14 px on the screen however small the drawing is shown. */
export const useWordSize = (size: number): number => Math.max(size, LEAST_PX / useContext(PixelsPerUnit))

/** A drawing with its title, as large as its place allows; the title says to a screen reader what the drawing shows. */
export function Drawing({
  width,
  height,
  title,
  children,
}: {
  width: number
  height: number
  title: string
  children: ReactNode
}) {
  const [svg, room] = useSize<SVGSVGElement>()
  const perUnit = room.width > 0 ? Math.min(room.width / width, room.height / height) : 1
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={title}
      style={{ width: '100%', height: '100%', display: 'block', overflow: 'visible' }}
      preserveAspectRatio="xMidYMid meet"
    >
      <Patterns />
      <PixelsPerUnit value={perUnit}>{children}</PixelsPerUnit>
    </svg>
  )
}

const Patterns = () => (
  <defs>
    <pattern id="hatch" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <line x1="0" y1="0" x2="0" y2="8" stroke="var(--hatch)" strokeWidth="1.2" />
    </pattern>
    <pattern
      id="hatch-back"
      width="5"
      height="5"
      patternUnits="userSpaceOnUse"
      patternTransform="rotate(-45)"
    >
      <line x1="0" y1="0" x2="0" y2="5" stroke="var(--hatch)" strokeWidth="1.1" />
    </pattern>
    <pattern id="fuel" width="14" height="7" patternUnits="userSpaceOnUse">
      <line x1="0" y1="3" x2="9" y2="3" stroke="var(--line)" strokeWidth="1" />
    </pattern>
    {['ink', 'red', 'blue'].map((colour) => (
      <marker
        key={colour}
        id={`arrow-${colour}`}
        viewBox="0 0 12 8"
        refX="12"
        refY="4"
        markerWidth="12"
        markerHeight="8"
        orient="auto-start-reverse"
        markerUnits="userSpaceOnUse"
      >
        <path d="M0 0 12 4 0 8Z" fill={`var(--${colour})`} />
      </marker>
    ))}
  </defs>
)

/** By how many degrees a part of a drawing is turned: its words stay upright. */
const Turn = createContext(0)
export const TurnProvider = Turn.Provider
export const useTurn = (): number => useContext(Turn)
