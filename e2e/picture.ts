import type { Page } from '@playwright/test'

export const picture = (page: Page, width: number, height: number) =>
  page.evaluate(
    async ([w, h]) => {
      const canvas = new OffscreenCanvas(w, h)
      const draw = canvas.getContext('2d')!
      draw.fillStyle = '#446'
      draw.fillRect(0, 0, w, h)
      draw.fillStyle = '#b62'
      draw.fillRect(w / 4, h / 4, w / 3, h / 3)
      const blob = await canvas.convertToBlob({ type: 'image/png' })
      return [...new Uint8Array(await blob.arrayBuffer())]
    },
    [width, height] as const,
  )
