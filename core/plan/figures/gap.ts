import { isRefusal, type Result } from '../../base/refusal/index.ts'
import { figure, letterDrills, numberDrills } from '../../measure/index.ts'
import { plateAngle, plateGap, type Plate } from '../../physics/choke/index.ts'
import { box4, circleOf, type FigureKind, type Near, type Shape, type Worked, type XY } from './kind.ts'

const DEGREE = Math.PI / 180
const drills = [...numberDrills, ...letterDrills].sort((a, b) => a.mm - b.mm)

/** A plate with its shaft off center, shut at an angle: the corner of its long side that touches, mm; it reaches L·cos α + t/2·sin α. */
function plateOf(bore: number, off: number, thick: number, shut: number): Plate {
  const wallDistance = bore / 2 + off
  const long = (wallDistance - (thick / 2) * Math.sin(shut * DEGREE)) / Math.cos(shut * DEGREE)
  return { wallDistance, edgeRadius: Math.hypot(long, thick / 2) }
}

/** The plate in its bore, the drill in the gap, from the side. */
function drawn(
  bore: number,
  off: number,
  thick: number,
  shut: number,
  open: number,
  gap: number,
  plate: Plate,
): Shape[] {
  const [left, right] = [0, bore]
  const pin: XY = [bore / 2 + off, 0]
  const at = (angle: number, r: number): XY => [
    pin[0] - r * Math.cos(angle * DEGREE),
    pin[1] + r * Math.sin(angle * DEGREE),
  ]
  const other = (bore / 2 - off) / Math.cos(shut * DEGREE)
  const wall = bore * 0.16
  const tall = bore * 0.62
  const slab = (angle: number): XY[] => {
    const [a, b] = [at(angle, plate.edgeRadius), at(angle, -other)]
    const n: XY = [Math.sin(angle * DEGREE) * (thick / 2), Math.cos(angle * DEGREE) * (thick / 2)]
    return [
      [a[0] + n[0], a[1] + n[1]],
      [b[0] + n[0], b[1] + n[1]],
      [b[0] - n[0], b[1] - n[1]],
      [a[0] - n[0], a[1] - n[1]],
    ]
  }
  const edge = at(shut + open, plate.edgeRadius)
  return [
    { is: 'area', as: 'hatch', points: box4(left - wall, -tall, wall, 2 * tall) },
    { is: 'area', as: 'hatch', points: box4(right, -tall, wall, 2 * tall) },
    { is: 'area', as: 'blue', points: box4(left, -tall * 0.9, gap, tall * 0.9 + edge[1]) },
    { is: 'line', as: 'dash', points: [at(shut, plate.edgeRadius), at(shut, -other)] },
    { is: 'area', as: 'hatch', points: slab(shut + open) },
    { is: 'area', as: 'paper', points: circleOf(pin, thick * 2.2) },
    { is: 'circle', as: 'ink', at: pin, r: thick * 2.2 },
    {
      is: 'line',
      as: 'centre',
      points: [
        [bore / 2, -tall * 1.08],
        [bore / 2, tall * 1.08],
      ],
    },
    {
      is: 'size',
      as: 'blue',
      from: [left, edge[1] + tall * 0.16],
      to: [left + gap, edge[1] + tall * 0.16],
      words: figure(gap, 2),
    },
    { is: 'size', as: 'ink', from: [left, tall * 1.14], to: [right, tall * 1.14], words: figure(bore, 1) },
    { is: 'text', as: 'blue', at: [pin[0] + bore * 0.02, -tall * 0.5], words: `${figure(open, 1)}° open` },
    {
      is: 'text',
      as: 'pencil',
      at: at(shut, -other * 0.7),
      words: `shut, ${figure(shut, 0)}°`,
      align: 'middle',
    },
  ]
}

/** Gap, opening angle and drill of a plate, each from the others (`docs/physics.md` 8). */
export const gap: FigureKind = {
  name: 'gap',
  short: 'plate gap',
  title: 'Gap, angle, drill',
  fields: [
    { key: 'by', name: 'Typed is', unit: '', blank: 'angle', lo: 0, hi: 0, choices: ['angle', 'gap'] },
    { key: 'angle', name: 'Open from shut', unit: '°', blank: '25', lo: 0, hi: 90 },
    { key: 'gap', name: 'Gap, or its drill', unit: 'mm', blank: '3.4', lo: 0, hi: 60, isLength: true },
    { key: 'give', name: 'Allowed', unit: '°', blank: '1', lo: 0, hi: 20 },
    { key: 'bore', name: 'Bore', unit: 'mm', blank: '38', lo: 5, hi: 120, isLength: true },
    { key: 'off', name: 'Shaft off center', unit: 'mm', blank: '3', lo: 0, hi: 30 },
    { key: 'thick', name: 'Plate thick', unit: 'mm', blank: '1.4', lo: 0.2, hi: 6 },
    { key: 'shut', name: 'Shut at', unit: '°', blank: '10', lo: 0, hi: 45 },
  ],
  work({ angle, gap: typed, give, bore, off, thick, shut }, { by }): Result<Worked> {
    const plate = plateOf(bore!, off!, thick!, shut!)
    const open = by === 'gap' ? plateAngle(plate, typed!) : angle! * DEGREE
    if (isRefusal(open)) return { refused: { ...open.refused, input: 'gap' } }
    const wide = plateGap(plate, open)
    if (isRefusal(wide)) return { refused: { ...wide.refused, input: by === 'gap' ? 'gap' : 'angle' } }
    const degrees = open / DEGREE
    const one = plateGap(plate, open + DEGREE)
    const errors = drills.flatMap((drill) => {
      const sets = plateAngle(plate, drill.mm)
      return isRefusal(sets) ? [] : [{ drill, error: sets / DEGREE - degrees }]
    })
    const nearest = errors.reduce((best, next) => (Math.abs(next.error) < Math.abs(best.error) ? next : best))
    const at = errors.indexOf(nearest)
    const near = errors.slice(Math.max(0, at - 3), at + 5).map(({ drill, error }): Near => ({
      name: drill.name,
      words: `${figure(drill.mm, 2)} · ${error > 0 ? '+' : ''}${figure(error, 1)}°`,
      fits: Math.abs(error) <= give!,
      isOn: drill === nearest.drill,
    }))
    return {
      headline: `${nearest.drill.name} sets it ${figure(Math.abs(nearest.error), 1)}° ${nearest.error >= 0 ? 'wide' : 'short'}${Math.abs(nearest.error) <= give! ? ', inside' : ': outside'} ±${figure(give!, 1)}°.`,
      rows: [
        ['Angle', `${figure(degrees, 1)}°`],
        ['Gap', `${figure(wide, 2)} mm`],
        ['Drill', `${nearest.drill.name}, ${figure(nearest.drill.mm, 2)} mm`],
        ['1° here', isRefusal(one) ? '·' : `${figure(one - wide, 2)} mm of gap`],
      ],
      shapes: drawn(bore!, off!, thick!, shut!, degrees, wide, plate),
      box: [-bore! * 0.2, -bore! * 0.72, bore! * 1.4, bore! * 1.56],
      near,
      nearWords: 'number and letter drills, and how far off each sets it',
      note: 'Use the shank, not the flutes.',
    }
  },
}
