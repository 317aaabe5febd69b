import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { expose } from 'comlink'
import { imageSize } from 'image-size'

/** A picture made small: the one that is kept and a small one, with their hashes. */
export interface Shrunk {
  picture: Blob
  thumb: Blob
  photo: string
  thumbHash: string
  width: number
  height: number
}

const SIDE = 1600
const THUMB = 320
const QUALITY = 0.82
const MOST_BYTES = 60 * 1024 * 1024
const MOST_MEGAPIXELS = 60
/** As much of a file is read to know its size; cameras put a small picture of their own before it. */
const HEAD = 1024 * 1024

async function shrink(file: File): Promise<Shrunk> {
  if (file.size > MOST_BYTES)
    throw new Error(
      `“${file.name}” has ${Math.round(file.size / 1024 / 1024)} MB. The most is 60: use a smaller picture.`,
    )
  const megapixels = await megapixelsOf(file)
  if (megapixels > MOST_MEGAPIXELS)
    throw new Error(
      `“${file.name}” has ${Math.round(megapixels)} megapixels. ${MOST_MEGAPIXELS} is the most: use a smaller picture.`,
    )
  // Drawn anew, so that place, camera and date that the file carries stay behind.
  const bitmap = await createImageBitmap(file).catch(() => {
    throw new Error(notAPicture(file))
  })
  const picture = await drawn(bitmap, SIDE)
  const thumb = await drawn(bitmap, THUMB)
  const { width, height } = sides(bitmap, SIDE)
  bitmap.close()
  return { picture, thumb, photo: await hashOf(picture), thumbHash: await hashOf(thumb), width, height }
}

async function megapixelsOf(file: File): Promise<number> {
  try {
    const { width, height } = imageSize(new Uint8Array(await file.slice(0, HEAD).arrayBuffer()))
    return (width * height) / 1e6
  } catch {
    throw new Error(notAPicture(file))
  }
}

const notAPicture = ({ name }: File) =>
  `“${name}” is not a picture Ekrond can read. Take a photograph, or choose a JPEG, PNG or WebP.`

function sides({ width, height }: ImageBitmap, most: number): { width: number; height: number } {
  const scale = Math.min(1, most / Math.max(width, height))
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) }
}

function drawn(bitmap: ImageBitmap, most: number): Promise<Blob> {
  const { width, height } = sides(bitmap, most)
  const canvas = new OffscreenCanvas(width, height)
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, width, height)
  return canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY })
}

const hashOf = async (picture: Blob) => bytesToHex(sha256(new Uint8Array(await picture.arrayBuffer())))

const shrinking = { shrink }
export type Shrinking = typeof shrinking

expose(shrinking)
