import { isNeeded, type Position } from '@ekrond/core/sheets'
import { lower } from '@ekrond/core/base/words'
import { useState } from 'react'
import type { OpenJob } from '../data/job'
import { Photos } from '../photos/Photos'
import { Ask, AskFoot } from '../shell/frame'
import { SecondName } from '../shell/SecondName'
import { Answer, Choice, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../ui'
import { onEnter, useKeys } from '../ui/keys'
import { asPart } from './Written'

/** A listed part that this unit lacks or has otherwise: said with a photograph, and a missing one with a second person. */
export function Otherwise({ open, position, done }: { open: OpenJob; position: Position; done: () => void }) {
  const never = isNeeded(position)
  const [absent, setAbsent] = useState(!never)
  const [second, setSecond] = useState('')
  const [differs, setDiffers] = useState('')
  const [wrong, setWrong] = useState('')
  const photographed = open.here.photos.some((photo) => photo.position === position.code)
  const write = () => {
    if (!absent && !differs.trim()) return setWrong('Say what is otherwise: another screw, another hole.')
    const no = open.add(
      'own.part',
      asPart(open, position, {
        absent,
        ...(absent && second ? { second } : {}),
        ...(absent ? {} : { differs: differs.trim() }),
      }),
    )
    if (no) return setWrong(no.sentence)
    done()
  }
  useKeys({ Enter: write, Escape: done })
  return (
    <Ask aria-label="Current step">
      <Label>Otherwise than listed for {open.sheets?.spec.listNumber}</Label>
      <h2>{position.name}</h2>
      <div
        role="group"
        aria-label="How it differs"
        style={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 6 }}
      >
        <Choice
          $on={absent}
          aria-pressed={absent}
          isDisabled={never}
          onPress={() => setAbsent(true)}
          style={{ justifyContent: 'center' }}
        >
          Not there
        </Choice>
        <Choice
          $on={!absent}
          aria-pressed={!absent}
          onPress={() => setAbsent(false)}
          style={{ justifyContent: 'center' }}
        >
          There, but different
        </Choice>
      </div>
      {never && (
        <p style={{ fontSize: 16 }}>
          No unit runs without its {lower(position.name)}. If it is lost, give it the verdict Replace: then a
          new one is ordered.
        </p>
      )}
      {absent ? (
        <>
          <Answer style={{ fontSize: 19 }}>
            Photograph its place, and have somebody else look: one that fell out unseen is missed for good.
          </Answer>
          <SecondName open={open} value={second} set={setSecond} label="Who looked too" />
        </>
      ) : (
        <div>
          <Label>What is otherwise</Label>
          <FieldInput
            aria-label="What is otherwise"
            placeholder="a longer screw, another hole"
            value={differs}
            onKeyDown={onEnter(write)}
            maxLength={120}
            onChange={(event) => {
              setDiffers(event.target.value)
              setWrong('')
            }}
          />
        </div>
      )}
      <Photos
        open={open}
        step="teardown"
        position={position.code}
        shown={(photo) => photo.position === position.code}
        label={absent ? 'Its place' : 'As it is'}
      />
      {!photographed && <Label as="p">Without a photograph it stays open until the return.</Label>}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={write}>
          {absent ? 'Not on this unit' : 'Differs on this unit'} <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={done}>Back to the part</QuietButton>
      </AskFoot>
    </Ask>
  )
}
