import type { Photo, PhotoStep } from '@ekrond/core/log'
import { Camera } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Button as AriaButton } from 'react-aria-components'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { keepPicture } from '../data/pictures'
import { Button, ErrorLine, Label } from '../ui'
import { Picture } from './Picture'
import { PhotoView } from './PhotoView'
import { readyToShrink, shrink } from './shrink'

const Strip = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
`
const Thumb = styled(AriaButton)`
  width: 72px;
  height: 56px;
  padding: 0;
  border: 1px solid var(--line);
  background: var(--board);
  cursor: pointer;
  & img {
    width: 100%;
    height: 100%;
    object-fit: cover;
    display: block;
  }
  &[data-focus-visible] {
    outline: 3px solid var(--blue);
  }
`

/** Photographs of a step or of a part: those that there are, and the camera. */
export function Photos({
  open,
  step,
  position = null,
  shown,
  label,
  take = true,
}: {
  open: OpenJob
  step: PhotoStep
  position?: string | null
  /** which of the body's photographs belong here */
  shown: (photo: Photo) => boolean
  label: string
  take?: boolean
}) {
  const input = useRef<HTMLInputElement>(null)
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState('')
  const [viewed, setViewed] = useState<string | null>(null)
  useEffect(() => {
    if (take) readyToShrink()
  }, [take])
  const photos = open.here.photos.filter(shown)
  const takeIn = async (files: FileList | null) => {
    setBusy(true)
    setWrong('')
    for (const file of files ?? [])
      try {
        const { picture, thumb, photo, thumbHash, width, height } = await shrink(file)
        await keepPicture(photo, picture)
        await keepPicture(thumbHash, thumb)
        const no = open.add('photo.taken', {
          photo,
          thumb: thumbHash,
          width,
          height,
          step,
          position,
          words: '',
        })
        if (no) setWrong(no.sentence)
      } catch (error) {
        setWrong((error as Error).message)
      }
    setBusy(false)
    if (input.current) input.current.value = ''
  }
  if (!take && photos.length === 0) return null
  return (
    <div>
      {photos.length > 0 && <Label>{label}</Label>}
      <Strip>
        {photos.map(({ photo, thumb, words }) => (
          <Thumb key={photo} aria-label={`Photograph ${words || label}`} onPress={() => setViewed(photo)}>
            <Picture hash={thumb} alt={words || label} />
          </Thumb>
        ))}
        {take && (
          <>
            <input
              ref={input}
              type="file"
              accept="image/*"
              capture="environment"
              multiple
              hidden
              aria-label="Photograph"
              onChange={(event) => void takeIn(event.target.files)}
            />
            <Button
              isDisabled={busy}
              onPress={() => input.current?.click()}
              style={{ fontSize: 15, padding: '0 12px' }}
            >
              <Camera size={18} aria-hidden /> {busy ? 'Resizing …' : 'Photograph'}
            </Button>
          </>
        )}
      </Strip>
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      {viewed && <PhotoView open={open} photo={viewed} close={() => setViewed(null)} />}
    </div>
  )
}
