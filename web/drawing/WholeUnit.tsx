import { boxOf, explode } from '@ekrond/core/unit/drawing'
import { unitDrawing, type DrawnFrom } from '@ekrond/core/unit/families'
import { useMemo } from 'react'
import { Axis, Hatchings, Pieces, type View } from './Pieces'
import { useSize } from './sheet'

/** A unit in section, all of it on, as large as its place allows. */
export function WholeUnit({ sheets, title }: { sheets: DrawnFrom; title: string }) {
  const drawing = useMemo(() => unitDrawing(sheets), [sheets])
  const [box, { width, height }] = useSize<SVGSVGElement>()
  const parts = useMemo(() => {
    const standings = Object.fromEntries(sheets.build.positions.map(({ code }) => [code, 'on' as const]))
    return explode(drawing, sheets.build.positions, standings).parts.map(({ code, pieces }) => ({
      code,
      pieces,
      behind: drawing.places[code]!.lifted === true,
    }))
  }, [drawing, sheets])
  const bounds = boxOf([...drawing.fixed, ...parts.flatMap(({ pieces }) => pieces)])
  const { x0, x1, y0, y1 } = bounds
  const perMm = Math.min(width / (x1 - x0), height / (y1 - y0)) * 0.98
  const view: View = {
    perMm,
    origin: [width / 2 - ((x0 + x1) / 2) * perMm, height / 2 + ((y0 + y1) / 2) * perMm],
  }
  return (
    <svg ref={box} role="img" aria-label={title} style={{ width: '100%', height: '100%', display: 'block' }}>
      {width > 0 && (
        <>
          <Hatchings />
          {parts
            .filter(({ behind }) => behind)
            .map(({ code, pieces }) => (
              <Pieces key={code} pieces={pieces} mode="on" view={view} />
            ))}
          <Pieces pieces={drawing.fixed} mode="on" view={view} />
          {parts
            .filter(({ behind }) => !behind)
            .map(({ code, pieces }) => (
              <Pieces key={code} pieces={pieces} mode="on" view={view} />
            ))}
          {drawing.axes.map((axis, i) => (
            <Axis key={i} line={axis} view={view} />
          ))}
        </>
      )}
    </svg>
  )
}
