import { decode } from 'jpeg-js'

const MOST_MEGAPIXELS = 30
const MOST_MEGABYTES = 256

/** Whether a JPEG can be seen: read to its end, not only at its head. Takes tenths of a second: on a thread of its own. */
export function isPicture(bytes: Uint8Array): boolean {
  try {
    const { width, height } = decode(bytes, {
      useTArray: true,
      tolerantDecoding: false,
      maxResolutionInMP: MOST_MEGAPIXELS,
      maxMemoryUsageInMB: MOST_MEGABYTES,
    })
    return width > 0 && height > 0
  } catch {
    return false
  }
}
