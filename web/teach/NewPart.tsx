import { boxOf, shapeOf } from '@ekrond/core/unit/drawing'
import { capital, lower } from '@ekrond/core/base/words'
import { partsTable, type PartKind } from '@ekrond/core/sheets'
import { useState } from 'react'
import styled from 'styled-components'
import { Pieces } from '../drawing/Pieces'
import { Ask, AskFoot } from '../shell/frame'
import { WayRound } from '../shell/WayRound'
import { narrow } from '../theme/global'
import { Choice, ErrorLine, FieldInput, Key, Label, MainButton, QuietButton } from '../ui'
import { onEnter, useKeys } from '../ui/keys'
import { CIRCUITS, type NewPartView } from './useNewPart'

const Tiles = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(76px, 1fr));
  gap: 5px;
  padding-top: 8px;
`

const Tile = styled(Choice)`
  min-height: 56px;
  padding: 3px 2px;
  flex-direction: column;
  gap: 2px;
  justify-content: center;
  text-align: center;
  font: 500 14px/1.05 ${narrow};
  & > svg {
    width: 48px;
    height: 28px;
    flex: none;
  }
`

/** A row of choices of equal width. */
const Row = styled.div<{ $of: number }>`
  display: grid;
  grid-template-columns: repeat(${({ $of }) => $of}, minmax(0, 1fr));
  gap: 6px;
  & > button {
    justify-content: center;
  }
`

const Fields = styled.div<{ $columns: string }>`
  display: grid;
  grid-template-columns: ${({ $columns }) => $columns};
  gap: 12px;
`

/** What follows from it, line by line. */
const Follow = styled.ul`
  list-style: none;
  margin: 0;
  padding: 0;
  & > li {
    padding: 6px 0;
    border-top: 1px solid var(--rule);
    font-size: 16px;
    line-height: 1.3;
  }
  & > li > b {
    font-weight: 600;
  }
`

/** A kind's shape, as large as its tile takes it. */
function Shape({ kind, on }: { kind: PartKind; on: boolean }) {
  const pieces = shapeOf(kind)
  const { x0, x1, y0, y1 } = boxOf(pieces)
  const perMm = Math.min(44 / (x1 - x0), 25 / Math.max(y1 - y0, 1), 3)
  const view = { perMm, origin: [24 - ((x0 + x1) / 2) * perMm, 14 + ((y0 + y1) / 2) * perMm] as const }
  return (
    <svg viewBox="0 0 48 28" aria-hidden style={on ? { filter: 'invert(1)' } : {}}>
      <Pieces pieces={pieces} mode="on" view={view} />
    </svg>
  )
}

/** So many fill two rows of a bench’s screen. */
const FIRST_KINDS = 17

/** What it is, by its shape: what fits the place that was tapped comes first. */
export function KindTiles({ view: { kinds, kind, pick } }: { view: NewPartView }) {
  const [all, setAll] = useState(false)
  const shown = all ? kinds : kinds.filter((one, i) => i < FIRST_KINDS || one === kind)
  return (
    <Tiles role="group" aria-label="Kind">
      {shown.map((one) => (
        <Tile key={one} $on={kind === one} aria-pressed={kind === one} onPress={() => pick(one)}>
          <Shape kind={one} on={kind === one} />
          {partsTable[one].words}
        </Tile>
      ))}
      {!all && <Tile onPress={() => setAll(true)}>more shapes</Tile>}
    </Tiles>
  )
}

/** A part that its sheet does not have: what it is, what it carries, which way round, what sits under it, and what follows from it. */
export function NewPart({ view }: { view: NewPartView }) {
  const { kind, words, fields, set, at, listed, follows, wrong } = view
  const [more, setMore] = useState(false)
  const ways = kind ? (partsTable[kind].wayRound ?? []) : []
  useKeys({ Enter: view.write, Escape: view.leave })
  return (
    <Ask aria-label="Current step">
      <Label>{listed ? `Not listed for ${listed}` : 'Building its own sheet'}</Label>
      <h2>{kind ? fields.name.trim() || capital(words) : 'What did you remove?'}</h2>
      {view.seen.length > 0 && !kind && <SeenBefore view={view} />}
      {!(at && kind) && (
        <p style={{ fontSize: 16 }}>
          {at
            ? `Position: ${at[0]} mm across, ${at[1]} up. Then pick what it is.`
            : 'Tap the drawing where it was, then pick what it is.'}
        </p>
      )}
      {kind && (
        <>
          {ways.length > 0 && (
            <WayRound
              label="Which way round?"
              ways={ways}
              value={fields.wayRound}
              set={(wayRound) => set({ wayRound })}
            />
          )}
          <div>
            <Label>It carries</Label>
            <Row $of={4} role="group" aria-label="What it carries">
              {CIRCUITS.map((one) => (
                <Choice
                  key={one}
                  $on={fields.circuit === one}
                  aria-pressed={fields.circuit === one}
                  onPress={() => set({ circuit: one })}
                >
                  {one === 'none' ? 'neither' : one}
                </Choice>
              ))}
            </Row>
          </div>
          <Fields $columns="2fr 1fr 1fr">
            <Field
              enter={view.write}
              label="Name it"
              value={fields.name}
              put={(name) => set({ name })}
              hint={words}
            />
            <Field
              enter={view.write}
              label="How many"
              value={String(fields.quantity)}
              put={(text) =>
                set({ quantity: Math.min(40, Math.max(1, Number(text.replace(/\D/g, '')) || 1)) })
              }
            />
            <Field
              enter={view.write}
              label={kind === 'valve' ? 'Opens at' : 'Size'}
              value={fields.size}
              put={(size) => set({ size })}
              hint={kind === 'valve' ? 'kPa' : 'mm'}
            />
          </Fields>
          <Field
            enter={view.write}
            label="What sits under it?"
            value={fields.underneath}
            put={(underneath) => set({ underneath })}
            hint="nothing"
          />
          {more ? (
            <>
              <Fields $columns="1fr 1fr">
                <Field
                  enter={view.write}
                  label="What to mind"
                  value={fields.caution}
                  put={(caution) => set({ caution })}
                />
                <Field
                  enter={view.write}
                  label="Check once it is on"
                  value={fields.check}
                  put={(check) => set({ check })}
                />
              </Fields>
              <Fields $columns="1fr 1fr 1fr">
                <Field
                  enter={view.write}
                  label="Thread"
                  value={fields.thread}
                  put={(thread) => set({ thread })}
                  hint="M4"
                />
                <Field
                  enter={view.write}
                  label="Length"
                  value={fields.length}
                  put={(length) => set({ length })}
                  hint="mm"
                />
                <Field
                  enter={view.write}
                  label="Torque"
                  value={fields.torque}
                  put={(torque) => set({ torque })}
                  hint="snug"
                />
              </Fields>
            </>
          ) : (
            <QuietButton onPress={() => setMore(true)} style={{ alignSelf: 'start', padding: 0 }}>
              Caution, check, thread
            </QuietButton>
          )}
          {follows && (
            <Follow aria-label="What follows from it">
              <li>
                <b>Tray {follows.tray}.</b> Its verdict is asked as it comes off.
              </li>
              <li>
                {follows.after ? (
                  <>
                    Back on after the <b>{lower(follows.after)}</b>
                    {follows.before ? `, before the ${lower(follows.before)}` : ''}.
                  </>
                ) : (
                  'Back on first.'
                )}
              </li>
              {partsTable[kind].aid && <li>Fit with: {partsTable[kind].aid}.</li>}
            </Follow>
          )}
        </>
      )}
      {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
      <AskFoot>
        <MainButton onPress={view.write} isDisabled={!kind}>
          {listed ? 'Add to this unit' : 'Add to sheet'} <Key>Enter</Key>
        </MainButton>
        <QuietButton onPress={view.leave}>Nothing else</QuietButton>
      </AskFoot>
    </Ask>
  )
}

/** What others of this number had besides: one tap takes it over. */
function SeenBefore({ view: { seen, like } }: { view: NewPartView }) {
  return (
    <div role="group" aria-label="Seen on others of this number" style={{ display: 'grid', gap: 6 }}>
      <Label>Seen on others of this number</Label>
      {seen.slice(0, 4).map(({ name, on, last }) => (
        <Choice key={name} onPress={() => like(last)} style={{ justifyContent: 'space-between' }}>
          {name}
          <small style={{ fontSize: 15, fontWeight: 400 }}>
            on {on.jobs} of {on.of}
          </small>
        </Choice>
      ))}
    </div>
  )
}

function Field({
  label,
  value,
  put,
  enter,
  hint,
}: {
  label: string
  value: string
  put: (text: string) => void
  enter: () => void
  hint?: string
}) {
  return (
    <div>
      <Label>{label}</Label>
      <FieldInput
        aria-label={label}
        value={value}
        maxLength={120}
        placeholder={hint}
        onKeyDown={onEnter(enter)}
        onChange={(event) => put(event.target.value)}
      />
    </div>
  )
}
