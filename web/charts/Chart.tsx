import type { EChartsCoreOption, EChartsType } from 'echarts/core'
import { useEffect, useRef } from 'react'

/** A chart of ECharts, whose code comes with the first one that is shown. `option` is drawn anew when it changes. */
export function Chart({
  label,
  option,
  drawn,
}: {
  /** what it shows, read aloud */
  label: string
  option: EChartsCoreOption
  /** for what moves by itself: called with the chart once it is there; what it returns ends that */
  drawn?: (chart: EChartsType) => () => void
}) {
  const box = useRef<HTMLDivElement>(null)
  const chart = useRef<EChartsType | null>(null)
  const newest = useRef({ option, drawn })
  useEffect(() => {
    newest.current = { option, drawn }
    chart.current?.setOption(option, { notMerge: true })
  })
  useEffect(() => {
    let end = (): void => undefined
    let gone = false
    void import('./engine').then(({ chartIn }) => {
      if (gone || !box.current) return
      const made = chartIn(box.current)
      made.setOption(newest.current.option)
      const watcher = new ResizeObserver(() => made.resize())
      watcher.observe(box.current)
      const still = newest.current.drawn?.(made)
      chart.current = made
      end = () => {
        still?.()
        watcher.disconnect()
        chart.current = null
        made.dispose()
      }
    })
    return () => {
      gone = true
      end()
    }
  }, [])
  return (
    <div ref={box} role="img" aria-label={label} style={{ width: '100%', height: '100%', minHeight: 160 }} />
  )
}
