import { symptomsThatFit } from '@ekrond/core/diagnose/complaint'
import { symptoms, symptomWords } from '@ekrond/core/log'
import { useState } from 'react'
import styled from 'styled-components'
import { narrow } from '../../theme/global'
import { Label, QuietButton, Tick } from '../../ui'

const SHOWN = 6

/** What the engine's speed does over time where the throttle opens at the dashed line; a drop, a sound or smoke where it is not the speed. */
const TRACES: Readonly<Record<(typeof symptoms)[number], string>> = {
  'hard start': 'M6 38H24l4-7 4 7 4-7 4 7 4-7 4 7H66C76 38 80 12 100 12',
  'runs only on choke': 'M6 14H44C56 14 56 38 66 38H104',
  flooding: 'M40 34a11 11 0 1 0 22 0C62 26 51 12 51 8 51 12 40 26 40 34M30 43H74M78 43h10',
  'weep at a thread': 'M30 12H74M34 18H70M38 24H66M52 28c0 4-5 6-5 10a5 5 0 0 0 10 0c0-4-5-6-5-10',
  leak: 'M52 4c0 5-6 8-6 14a6 6 0 0 0 12 0c0-6-6-9-6-14M24 40c8-8 48-8 58 0-14 6-46 6-58 0',
  'bog on opening': 'M6 26H28C40 26 38 40 50 40S62 10 78 10H104',
  'dies on opening': 'M6 26H28C40 26 44 40 58 40H94M88 35l10 10M98 35L88 45',
  'flat spot': 'M6 38H28C36 38 36 26 46 26H62C72 26 72 10 82 10H104',
  'hanging idle': 'M6 36H20C28 36 28 10 36 10S42 18 104 22',
  'sagging idle': 'M6 10H28C38 10 36 44 48 44S58 32 68 32H104',
  'pops on the overrun': 'M6 10H28C40 10 44 30 54 32l4-12 5 18 4-14 5 14H104',
  hunting: 'M6 26c8-16 14-16 20 0s12 16 20 0 14-16 20 0 12 16 20 0 12-14 18-4',
  surge: 'M6 16c5-9 9-9 13 0s8 9 13 0 9-9 13 0 8 9 13 0 9-9 13 0 8 9 13 0 9-9 13 0',
  rattle: 'M6 26h18l3-10 4 20 4-26 4 32 4-24 4 16 3-8h18l3-10 4 20 4-26 4 32 4-16h17',
  smoke:
    'M6 36H30C42 36 44 12 60 12H104M70 34a6 6 0 1 0 12 0 6 6 0 1 0-12 0M82 28a8 8 0 1 0 16 0 8 8 0 1 0-16 0',
  'no top end': 'M6 38H28C42 38 48 24 66 22H104M66 8h6M78 8h6M90 8h6',
  'none: overhaul': 'M6 26H104M44 14l8 8 14-18',
}
const OPENS = /^(bog on opening|dies on opening|flat spot|no top end|smoke)$/

const Tiles = styled.div`
  display: grid;
  grid-template-columns: repeat(6, minmax(0, 1fr));
  gap: 4px 12px;
  @media (max-width: 700px) {
    grid-template-columns: repeat(3, minmax(0, 1fr));
  }
  & > button {
    border: 0;
    border-bottom: 2px solid transparent;
    background: none;
    color: var(--ink);
    padding: 0 0 3px;
    min-height: 76px;
    display: grid;
    justify-items: start;
    align-content: end;
    font: 400 15px/1.15 ${narrow};
    text-align: left;
    cursor: pointer;
  }
  & > button[aria-pressed='true'] {
    font-weight: 600;
    border-bottom-color: var(--ink);
  }
  & > button > span {
    display: flex;
    align-items: center;
    gap: 5px;
  }
  & > button:focus-visible {
    outline: 3px solid var(--blue);
  }
`

/** What it does, as small traces; those that go with what was said come first, the others behind one tap. */
export function Traces({
  value,
  said,
  set,
}: {
  value: string
  said: { band: string; temperature: string; when: string }
  set: (value: string) => void
}) {
  const [all, setAll] = useState(false)
  const fit = symptomsThatFit({
    band: said.band || 'everywhere',
    temperature: said.temperature || 'both',
    when: said.when || 'any time',
  })
  const first = fit.filter((one) => one !== 'none: overhaul').slice(0, SHOWN - 1)
  // What was picked stays in sight whatever else is said.
  const short = [...first, ...(value && !first.includes(value) && value !== 'none: overhaul' ? [value] : [])]
  const shown = all ? symptoms : [...short.slice(-(SHOWN - 1)), 'none: overhaul' as const]
  return (
    <>
      <div
        style={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', flexWrap: 'wrap' }}
      >
        <Label>What it does · engine speed over time, dashed: the throttle opens</Label>
        <QuietButton aria-expanded={all} onPress={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show all ${symptoms.length}`}
        </QuietButton>
      </div>
      <Tiles role="group" aria-label="Symptom">
        {shown.map((symptom) => (
          <button
            key={symptom}
            type="button"
            aria-pressed={value === symptom}
            onClick={() => set(value === symptom ? '' : symptom)}
          >
            <svg
              viewBox="0 0 108 50"
              width="100%"
              height={44}
              aria-hidden
              preserveAspectRatio="xMinYMid meet"
            >
              <path d="M4 4V46H106" fill="none" stroke="var(--pencil)" strokeWidth={1} />
              {OPENS.test(symptom) && (
                <path d="M28 4V46" stroke="var(--pencil)" strokeWidth={1} strokeDasharray="3 3" />
              )}
              <path
                d={TRACES[symptom as keyof typeof TRACES]}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={value === symptom ? 3 : 1.8}
                strokeLinejoin="round"
              />
            </svg>
            <span>
              {value === symptom && <Tick size={15} />} {symptomWords(symptom)}
            </span>
          </button>
        ))}
      </Tiles>
    </>
  )
}
