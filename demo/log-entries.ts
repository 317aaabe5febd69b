import { models } from './catalogue.ts'
import { isRefusal } from '@ekrond/core/base/refusal'
import { listNumberSheets, type Sheets } from '@ekrond/core/sheets'
import { kinds, type DataOf, type Entry, type UnsentEntry } from '@ekrond/core/log'

export const JOB = '11111111-1111-4111-8111-111111111111'

export const uuid = (n: number): string => `22222222-2222-4222-8222-${String(n).padStart(12, '0')}`

/** An unsent entry for tests: the nth of its log, by Marrow unless said otherwise. */
export const unsent = <K extends keyof DataOf>(
  n: number,
  kind: K,
  data: DataOf[K],
  more: Partial<UnsentEntry> = {},
): UnsentEntry => ({
  id: uuid(n),
  job: JOB,
  kind,
  v: kinds.get(kind)!.version,
  body: 1,
  data,
  by: 'I. Marrow',
  at: '2026-11-24T10:00:00.000Z',
  ...more,
})

export const placed = (entry: UnsentEntry, seq: number): Entry => ({ ...entry, seq, receivedAt: entry.at })

export const opening: DataOf['job.opened'] = {
  customer: 'Osk chain ferry',
  engine: 'ferry main, 2.2 L',
  equipment: 'chain windlass',
  aircraft: false,
  ethanol: 0.1,
  pressureKpa: 24,
  headMm: null,
  altitudeM: null,
  tiltDeg: null,
  boosted: false,
  marine: false,
  bodies: 1,
  earlier: null,
  promise: '2026-11-26',
  complaint: {
    symptom: 'flooding',
    band: 'idle',
    temperature: 'hot',
    when: 'any time',
    words: 'Floods when hot',
  },
}

export const identified: DataOf['ident.chosen'] = {
  listNumber: 'K-4417-2S',
  specRev: 'K-4417-2S/spec/1',
  buildRev: 'K-4417-2S/build/1',
  p: 0.9,
  runnerUp: null,
}

/** A list number's sheets, as the demo generates them. */
export function sheetsFor(listNumber: string): Sheets {
  const model = models().find((one) => one.listNumbers.some((item) => item.number === listNumber))!
  const sheets = listNumberSheets(
    model,
    model.listNumbers.find((item) => item.number === listNumber)!,
  )
  if (isRefusal(sheets)) throw new Error(sheets.refused.why)
  return { specRev: `${listNumber}/spec/1`, buildRev: `${listNumber}/build/1`, ...sheets }
}

export const ferrySheets = (): Sheets => sheetsFor(identified.listNumber)

export const finding = (
  position: string,
  disposition: 'reuse' | 'clean' | 'replace' | 'condemn',
  condition = 'sound',
): DataOf['finding.judged'] => ({
  position,
  condition,
  raw: '',
  measured: null,
  shown: { disposition, sure: true, sentence: 'as seen', rule: '', limit: null },
  override: null,
})

export const reading = (
  raw: string,
  verdict: 'in' | 'out' | 'doubtful',
  value = Number(raw),
): DataOf['reading.taken'] => ({
  code: 'float.height',
  place: 'none',
  raw,
  value,
  gauge: 'caliper 2',
  sigma: 0.06,
  specRev: identified.specRev,
  bracket: null,
  shown: {
    verdict,
    pIn: null,
    headline: '',
    meaning: '',
    remedy: null,
    facts: [],
    assumes: [],
    asWritten: '13.5 ±0.5',
    target: 13.5,
    lo: 13,
    hi: 14,
  },
})

/** A job of a list number with a complaint that is felt everywhere and at any time, unless it is said otherwise, and what came after. */
export const complained = (
  listNumber: string,
  complaint: Partial<DataOf['job.opened']['complaint']>,
  ...more: readonly UnsentEntry[]
): Entry[] => {
  const { specRev, buildRev } = sheetsFor(listNumber)
  return [
    unsent(1, 'job.opened', {
      ...opening,
      complaint: {
        ...opening.complaint,
        band: 'everywhere',
        temperature: 'both',
        when: 'any time',
        ...complaint,
      },
    }),
    unsent(2, 'ident.chosen', { listNumber, specRev, buildRev, p: 1, runnerUp: null }),
    ...more,
  ].map((entry, i) => placed(entry, i + 1))
}
