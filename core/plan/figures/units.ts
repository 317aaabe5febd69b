import { GRAVITY, MM_PER_INCH } from '../../base/constants/index.ts'
import type { Result } from '../../base/refusal/index.ts'
import { figure, nearestDrill } from '../../measure/index.ts'
import { GASOLINE_DENSITY } from '../../physics/metering/index.ts'
import { box4, type FigureKind, type Shape, type Worked } from './kind.ts'

const KPA_PER_PSI = 6.894757
const KPA_PER_INHG = 3.386389

/** One length, one pressure in every unit that a bench has. */
export const units: FigureKind = {
  name: 'units',
  short: 'units',
  title: 'Units',
  fields: [
    {
      key: 'length',
      name: 'A length',
      unit: 'mm, in, drill',
      blank: '5/16',
      lo: 0,
      hi: 2000,
      isLength: true,
    },
    { key: 'kpa', name: 'A pressure', unit: 'kPa', blank: '35', lo: -101, hi: 5000 },
    { key: 'flow', name: 'A fuel flow', unit: 'mL/min', blank: '500', lo: 0, hi: 100000 },
  ],
  work({ length, kpa, flow }): Result<Worked> {
    const drill =
      length! > 0.3 && length! < 11 ? nearestDrill(length!, ['number', 'letter', 'fraction']) : null
    const inches = length! / MM_PER_INCH
    const perMm = 2
    const ticks = (n: number, at: (i: number) => number, tall: (i: number) => number, y: number): Shape[] =>
      Array.from({ length: n }, (_, i) => ({
        is: 'line',
        as: 'thin',
        points: [
          [at(i), y],
          [at(i), y - tall(i)],
        ],
      }))
    const span = Math.max(10, Math.ceil((length! * 1.25) / 10) * 10)
    const scale = 100 / span
    return {
      headline: `${figure(length!, 2)} mm is ${inches.toFixed(3)} in.`,
      rows: [
        ['Length', `${figure(length!, 3)} mm · ${inches.toFixed(4)} in`],
        ['Nearest drill', drill ? `${drill.name}, ${figure(drill.mm, 2)} mm` : 'none so small or large'],
        [
          'Pressure',
          `${figure(kpa!, 1)} kPa · ${figure(kpa! / KPA_PER_PSI, 2)} psi · ${figure(kpa! / 100, 2)} bar`,
        ],
        [
          'As a column',
          `${figure(kpa! / KPA_PER_INHG, 1)} inHg · ${figure((kpa! * 1e6) / (GASOLINE_DENSITY * GRAVITY), 0)} mm of fuel`,
        ],
        [
          'Flow',
          `${figure(flow! * 0.06, 1)} L/h · ${figure((flow! * 60 * GASOLINE_DENSITY * 1e-3) / 1000, 1)} kg/h of gasoline`,
        ],
      ],
      shapes: [
        { is: 'area', as: 'blue', points: box4(0, 6, length! * scale, 8) },
        ...ticks(
          span + 1 > 200 ? 11 : span + 1,
          (i) => (i * 100) / (span + 1 > 200 ? 10 : span),
          (i) => (i % 10 === 0 ? 7 : i % 5 === 0 ? 5 : 3),
          6,
        ),
        {
          is: 'line',
          as: 'ink',
          points: [
            [0, 6],
            [100, 6],
          ],
        },
        {
          is: 'line',
          as: 'ink',
          points: [
            [0, 14],
            [100, 14],
          ],
        },
        ...ticks(
          Math.floor((span / MM_PER_INCH) * 16) + 1 > 240 ? 0 : Math.floor((span / MM_PER_INCH) * 16) + 1,
          (i) => (i * MM_PER_INCH * scale) / 16,
          (i) => -(i % 16 === 0 ? 7 : i % 8 === 0 ? 5 : 3),
          14,
        ),
        { is: 'text', as: 'pencil', at: [100, -4], words: `mm, to ${span}`, align: 'end' },
        { is: 'text', as: 'pencil', at: [100, 27], words: 'inches, by 1/16', align: 'end' },
      ],
      box: [-6, -10 - perMm, 112, 44],
    }
  },
}
