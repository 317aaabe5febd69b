import { describe, expect, it } from 'vitest'
import { templates } from '../unit/families/templates/index.ts'
import { fold, type DataOf, type Entry } from '../log/index.ts'
import { gatePoints } from '../bench/stations/index.ts'
import { finding, opening } from '../../demo/log-entries.ts'
import { taughtSheets } from './index.ts'

const JOB = '00000000-0000-4000-8000-000000000001'
let id = 0
const entry = <K extends keyof DataOf>(kind: K, data: DataOf[K], v = 1): Entry => ({
  id: `00000000-0000-4000-8000-${String(++id).padStart(12, '0')}`,
  job: JOB,
  kind,
  v,
  ...(kind === 'job.opened' ? {} : { body: 1 }),
  data,
  by: 'O. Dell',
  at: '2026-11-26T09:00:00Z',
  receivedAt: '2026-11-26T09:00:00Z',
  seq: id,
})

const points = (family: keyof typeof templates, ...more: Entry[]) => {
  const log = [
    entry('job.opened', opening, 2),
    entry('ident.taught', {
      family,
      barrels: templates[family].spec.barrels,
      float: 'from the cover',
      choke: 'coil',
      maker: '',
      name: 'kiln ?-type',
    }),
    ...more,
  ]
  const state = fold(JOB, log)
  return gatePoints(state, taughtSheets(state, templates))
}
const names = Object.keys(templates) as (keyof typeof templates)[]

describe('what should not go back of a unit that nobody knows', () => {
  it.each(names)('%s: a condemned casting lets nobody pass it', (family) => {
    const held = points(family, entry('finding.judged', finding('body', 'condemn', 'cracked')))
    const body = held.find(({ point }) => point.includes('finding:body'))
    expect(body).toMatchObject({ passable: false })
  })

  it.each(names)('%s: a needle to be replaced stands until a new one is really there', (family) => {
    const bad = entry('finding.judged', finding('needle', 'replace', 'ringed'))
    const off = entry('part.off', { position: 'needle', tray: 'B' })
    expect(points(family, off, bad).some(({ point }) => /^(finding|need):needle$/.test(point))).toBe(true)
    const order = entry('order.placed', {
      lines: [
        {
          what: 'shelf',
          code: 'Needle, by sample',
          supplier: '',
          quantity: 1,
          priceMinor: 0,
          serves: ['needle'],
        },
      ],
      totalMinor: 0,
      arrives: '2026-11-26',
    })
    const on = entry(
      'part.on',
      { position: 'needle', from: 'shelf', part: 'Needle, by sample', proof: 'held', thicknessMm: null },
      2,
    )
    expect(
      points(family, off, bad, order, on).some(({ point }) => /^(finding|need):needle$/.test(point)),
    ).toBe(false)
  })

  it.each(names)('%s: a height without a value is not set, and says what it lacks', (family) => {
    const height = points(family).find(({ point }) => point === 'setting:float.height/none')
    expect(height).toMatchObject({
      title: 'Float height is not set',
      detail: 'target no value yet',
      passable: true,
    })
  })

  it('a height judged by a value that another source took the place of is checked again', () => {
    const value = (target: number, source: 'from memory' | 'factory sheet') =>
      entry('own.setting', {
        code: 'float.height',
        place: 'none',
        asWritten: `${target} ±0.5`,
        target,
        lo: target - 0.5,
        hi: target + 0.5,
        source,
        ground: '',
      })
    const read = entry(
      'reading.taken',
      {
        code: 'float.height',
        place: 'none',
        raw: '12.4',
        value: 12.4,
        gauge: null,
        sigma: null,
        bracket: null,
        specRev: 'own',
        shown: {
          verdict: 'in',
          pIn: 0.99,
          headline: 'In.',
          meaning: '',
          remedy: null,
          facts: [],
          assumes: [],
          asWritten: '12.4 ±0.5',
          target: 12.4,
          lo: 11.9,
          hi: 12.9,
        },
      },
      2,
    )
    const height = (held: ReturnType<typeof points>) =>
      held.find(({ point }) => point === 'setting:float.height/none')?.title
    expect(height(points('downdraft', value(12.4, 'from memory'), read))).toBeUndefined()
    expect(height(points('downdraft', value(12.4, 'from memory'), read, value(14.5, 'factory sheet')))).toBe(
      'Float height: redo',
    )
  })
})
