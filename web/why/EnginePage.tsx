import { capital } from '@ekrond/core/base/words'
import { blipParts, runWords, type BlipPart, type RunNote } from '@ekrond/core/log'
import { readRun, runAlarms, type BandReading } from '@ekrond/core/diagnose/run'
import { settingKey } from '@ekrond/core/sheets'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { OpenJob } from '../data/job'
import { Columns } from '../shell/Columns'
import { OfJob } from '../shell/OfJob'
import { sayInstant } from '../ui/dates'
import { useShop } from '../data/shop'
import { Answer, Choice, ErrorLine, Label, RedBox } from '../ui'
import { Change, Plugs, Probe } from './Change'
import { Row } from './Row'
import { Screw } from './Screw'
import { useKeys } from '../ui/keys'

/** On the engine: what is read, seen and changed there, one change at a time. It may be written after the return. */
export default function EnginePage() {
  return (
    <OfJob
      title="on the engine"
      head={(number) => (
        <>
          <Link to={`/jobs/${number}`}>back to the job</Link>
          <Link to={`/jobs/${number}/why`}>diagnose</Link>
        </>
      )}
    >
      {(open) => <Run open={open} />}
    </OfJob>
  )
}

const BLIP: Readonly<Record<BlipPart, readonly [asked: string, good: string, bad: string]>> = {
  opening: ['On opening', 'clean', 'stumbles'],
  release: ['On release', 'comes down at once', 'hangs'],
  after: ['After it', 'holds', 'sags below idle'],
  overrun: ['On deceleration', 'quiet', 'pops'],
  steady: ['At idle', 'steady', 'hunts'],
}

const sayBand = ({ band, side }: BandReading): string =>
  `${capital(band)}: ${side === null ? 'neither lean nor rich' : side === 'air leak' ? 'lean, or an air leak' : side}.`

function Run({ open }: { open: OpenJob }) {
  const navigate = useNavigate()
  const zone = useShop().data?.zone
  const { state } = open
  const [wrong, setWrong] = useState('')
  useKeys({ r: () => void navigate('/'), Escape: () => void navigate(`/jobs/${open.number ?? open.job}`) })
  const note = (it: RunNote, words = '') =>
    setWrong(open.add('run.noted', { note: it, words })?.sentence ?? '')
  const screws = open.sheets?.spec.settings.filter(({ code }) => code === 'mixture.turns') ?? []
  const read = readRun(state.run)
  const alarms = runAlarms(state.run)
  return (
    <Columns>
      <section aria-label="Mixture">
        {screws.length === 0 && (
          <p>Identify it first: which screws there are, and which way they work, comes from its sheet.</p>
        )}
        {screws.map((setting) => (
          <Screw key={settingKey(setting)} open={open} setting={setting} note={note} />
        ))}
        <h2>Throttle blip, step by step</h2>
        <Row role="group" aria-label="Blip">
          {blipParts.map((part) => {
            const last = [...state.run].reverse().find((one) => one.what === 'blip' && one.part === part)
            const bad = last?.what === 'blip' ? last.bad : null
            const black = last?.what === 'blip' && last.black === true
            return (
              <div key={part} style={{ display: 'grid', gap: 4 }}>
                <Label>{BLIP[part][0]}</Label>
                <div style={{ display: 'flex', gap: 4 }}>
                  <Choice $on={bad === false} onPress={() => note({ what: 'blip', part, bad: false })}>
                    {BLIP[part][1]}
                  </Choice>
                  <Choice
                    $on={bad === true && !black}
                    onPress={() => note({ what: 'blip', part, bad: true })}
                  >
                    {BLIP[part][2]}
                  </Choice>
                  {part === 'opening' && (
                    <Choice $on={black} onPress={() => note({ what: 'blip', part, bad: true, black: true })}>
                      stumbles, black smoke
                    </Choice>
                  )}
                </div>
              </div>
            )
          })}
        </Row>
        <h2>Plugs, after a run at one throttle position</h2>
        <Plugs note={note} />
        <h2>λ by a probe, held steady</h2>
        <Probe note={note} />
      </section>
      <section aria-label="What it means">
        <Answer aria-live="polite">
          {read.length === 0
            ? 'Warm the engine first. Then blip the throttle and enter what it does.'
            : read.map(sayBand).join(' ')}
        </Answer>
        {read.map(({ band, because }) => (
          <p key={band} style={{ fontSize: 16 }}>
            <b>{capital(band)}:</b> {because.join('; ')}.
          </p>
        ))}
        {alarms.slice(-2).map((line) => (
          <RedBox key={line} role="alert">
            {line}
          </RedBox>
        ))}
        <h2>One change at a time</h2>
        <Change note={note} />
        {wrong && <ErrorLine role="alert">{wrong}</ErrorLine>}
        <h2>Run log</h2>
        {state.run.length === 0 && (
          <p>Nothing yet. Enter what the customer reports by phone, also after release.</p>
        )}
        <ol style={{ listStyle: 'none', display: 'grid', gap: 4 }}>
          {[...state.run]
            .reverse()
            .slice(0, 14)
            .map((one) => (
              <li
                key={one.entry}
                style={{ fontSize: 16, borderBottom: '1px solid var(--rule)', paddingBottom: 3 }}
              >
                {runWords(one).replace(/^on the engine: /, '')}
                {one.words ? `: ${one.words}` : ''}{' '}
                <span style={{ color: 'var(--pencil)' }}>
                  {one.by}, {sayInstant(one.at, zone ?? 'UTC')}
                </span>
              </li>
            ))}
        </ol>
        <Label as="p">
          Engine running: outdoors because of exhaust gas, clear of moving parts, face away from the open
          intake.
        </Label>
      </section>
    </Columns>
  )
}
