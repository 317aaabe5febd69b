import { nameOn } from '@ekrond/core/sheets'
import { useState } from 'react'
import styled from 'styled-components'
import type { OpenJob } from '../data/job'
import { useShop } from '../data/shop'
import { sayInstant } from '../ui/dates'
import { Button, ErrorLine, FieldInput, MainButton } from '../ui'
import { LargeSheet } from '../ui/LargeSheet'
import { figures } from '../theme/global'
import { Picture } from './Picture'

const Face = styled.div`
  position: relative;
  justify-self: center;
  cursor: crosshair;
  & img {
    display: block;
    max-width: 100%;
    max-height: 66vh;
  }
  & > i {
    position: absolute;
    width: 28px;
    height: 28px;
    margin: -14px 0 0 -14px;
    border-radius: 50%;
    border: 2px solid var(--paper);
    background: var(--blue);
    color: var(--paper);
    font: 600 15px/24px ${figures};
    text-align: center;
  }
`

/** One photograph, large: a tap pins words to a place in it. */
export function PhotoView({ open, photo, close }: { open: OpenJob; photo: string; close: () => void }) {
  const zone = useShop().data?.zone ?? 'UTC'
  const [at, setAt] = useState<{ x: number; y: number } | null>(null)
  const [words, setWords] = useState('')
  const [wrong, setWrong] = useState('')
  const taken = open.here.photos.find((one) => one.photo === photo)
  if (!taken) return null
  const pins = open.here.pins[photo] ?? []
  const pin = () => {
    if (!at) return
    if (!words.trim()) return setWrong('Describe it in a word or two.')
    const no = open.add('photo.pinned', { photo, ...at, words: words.trim() })
    if (no) return setWrong(no.sentence)
    setAt(null)
    setWords('')
    setWrong('')
  }
  return (
    <LargeSheet
      close={close}
      title={
        <>
          {taken.position ? nameOn(open.sheets, taken.position) : 'The unit'}, {sayInstant(taken.at, zone)},{' '}
          {taken.by}
        </>
      }
    >
      <Face
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect()
          setAt({
            x: Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)),
            y: Math.min(1, Math.max(0, (event.clientY - box.top) / box.height)),
          })
        }}
      >
        <Picture hash={photo} alt={taken.words || 'photograph'} />
        {pins.map((one, i) => (
          <i key={one.entry} style={{ left: `${one.x * 100}%`, top: `${one.y * 100}%` }}>
            {i + 1}
          </i>
        ))}
        {at && <i style={{ left: `${at.x * 100}%`, top: `${at.y * 100}%`, background: 'var(--red)' }}>+</i>}
      </Face>
      {pins.length > 0 && (
        <ol style={{ fontSize: 17, margin: 0, paddingLeft: 24, listStyle: 'decimal' }}>
          {pins.map((one) => (
            <li key={one.entry}>{one.words}</li>
          ))}
        </ol>
      )}
      {at ? (
        <div style={{ display: 'flex', gap: 8 }}>
          <FieldInput
            autoFocus
            aria-label="What is there"
            placeholder="what is there"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && pin()}
          />
          <MainButton onPress={pin}>Pin</MainButton>
        </div>
      ) : (
        <p style={{ fontSize: 16 }}>Tap the picture to pin words to a place.</p>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <Button onPress={close} autoFocus={!at}>
        Close
      </Button>
    </LargeSheet>
  )
}
