import type { ListNumber } from '@ekrond/core/sheets'
import { familyNumbers, marksOf, type Seeded } from './list-numbers.ts'
import { beskU3 } from './models/besk-u3.ts'
import { orvaneQ80 } from './models/orvane-q80.ts'
import { quillardB34, quillardD32 } from './models/quillard-more.ts'
import { tessmerT12, tessmerT24 } from './models/tessmer.ts'

const hundredth = (value: number) => String(Math.round(value * 100)).padStart(3, '0')
const tenth = (value: number) => String(Math.round(value * 10)).padStart(3, '0')

const chokeAndGap = (random: Seeded): ListNumber['settings'] => {
  const notches = random.pick([0, 1, 2])
  const stem = random.pick([9.5, 10, 10.5])
  return {
    'choke.index/none': {
      asWritten: notches === 0 ? 'index' : `${notches} rich`,
      target: notches,
      lo: notches,
      hi: notches,
    },
    'pump.stem/none': { asWritten: `${stem.toFixed(1)} ±0.4`, target: stem, lo: stem - 0.4, hi: stem + 0.4 },
  }
}

export const q80Numbers = () =>
  familyNumbers(orvaneQ80, {
    seed: 8041,
    marks: marksOf(80, 22, 8010, 8099, (n, i) => `Q-${n}-${(i % 3) + 1}${i % 4 === 0 ? 'S' : ''}`),
    bores: [34.9, 34.9, 36.5],
    venturi: (bore) => bore - 7,
    bolts: (bore) => (bore > 35 ? 142 : 130),
    seats: [2.6, 2.8, 2.8],
    heights: [14.5, 17.5],
    tolerance: 0.5,
    pressures: [21, 24, 28],
    feed: 'pump',
    powers: [90, 110, 130],
    bsfc: 300,
    litresPerKw: 0.045,
    idle: [700, 600],
    chokes: ['coil, hot air', 'coil, electric'],
    inlet: () => '7/8',
    jets: { 'jet.main/P': [1.4, 1.6], 'jet.main/S': [1.8, 2] },
    turns: [10, 12, 14],
    drop: [9, 10, 10.5],
    also: chokeAndGap,
    parts: ({ seatBore, floatMass, bore }) => ({
      seat: `SE-${hundredth(seatBore)}`,
      needle: seatBore > 2.6 ? 'ND-28' : 'ND-24',
      float: `FL-${tenth(floatMass)}`,
      'cover.gasket': bore > 35 ? 'GK-801W' : 'GK-801',
    }),
  })

export const t12Numbers = () =>
  familyNumbers(tessmerT12, {
    seed: 1208,
    marks: marksOf(12, 16, 400, 480, (n) => `12T-${n}`),
    bores: [22, 25.4, 28.6],
    venturi: (bore) => bore - 5,
    bolts: (bore) => (bore > 25 ? 68 : 60),
    seats: [2, 2.4],
    heights: [8, 12],
    tolerance: 0.5,
    pressures: [2.2, 2.9, 3.6],
    feed: 'gravity',
    powers: [12, 16, 20],
    bsfc: 380,
    litresPerKw: 0.07,
    idle: [600, null],
    chokes: ['plate, lever', 'plate, cable'],
    inlet: () => '1/4 pipe',
    jets: { 'jet.main': [1.1, 1.4] },
    turns: [8, 10, 12],
    parts: ({ seatBore, floatMass, washer }) => ({
      seat: `SE-${hundredth(seatBore)}T`,
      needle: seatBore > 2 ? 'ND-24T' : 'ND-20T',
      float: `FL-${tenth(floatMass)}T`,
      'seat.washer': `WA-${hundredth(washer ?? 1)}T`,
    }),
  })

export const t24Numbers = () =>
  familyNumbers(tessmerT24, {
    seed: 2415,
    marks: marksOf(24, 16, 500, 580, (n) => `24T-${n}`),
    bores: [28.6, 31.8],
    venturi: (bore) => bore - 6,
    bolts: (bore) => (bore > 30 ? 78 : 70),
    seats: [2.2, 2.4],
    heights: [13, 16],
    tolerance: 0.6,
    pressures: [14, 18, 21],
    feed: 'pump',
    powers: [30, 40, 50],
    bsfc: 340,
    litresPerKw: 0.06,
    idle: [550, null],
    chokes: ['plate, cable', 'plate, lever'],
    inlet: () => '3/8 pipe',
    jets: { 'jet.main/L': [1.25, 1.45], 'jet.main/R': [1.25, 1.45] },
    turns: [8, 9, 10],
    drop: [8, 8.5, 9],
    parts: ({ seatBore, floatMass }) => ({
      seat: `SE-${hundredth(seatBore)}`,
      float: `FL-${tenth(floatMass)}`,
    }),
  }).map(alike)

// Both bores of a twin are fed alike.
const alike = (item: ListNumber): ListNumber => ({
  ...item,
  calibration: { ...item.calibration, 'jet.main/R': item.calibration['jet.main/L']! },
  parts: { ...item.parts, 'jet.main/R': item.parts['jet.main/L']! },
})

const quillard = {
  venturi: (bore: number) => bore - 1,
  tolerance: 0.8,
  pressures: [2.9, 3.6, 4.4],
  feed: 'gravity' as const,
  bsfc: 330,
  litresPerKw: 0.02,
  idle: [1300, null] as [number, null],
  inlet: () => 'hose',
  clip: [2, 3, 3, 4],
}

export const d32Numbers = () =>
  familyNumbers(quillardD32, {
    ...quillard,
    seed: 3207,
    marks: marksOf(32, 18, 10, 69, (n, i) => `D32-${n}${'KLM'[i % 3]}`),
    bores: [32],
    bolts: () => 62,
    seats: [2, 2.2],
    heights: [24.5, 28],
    powers: [18, 22, 26],
    chokes: ['enricher, lever', 'enricher, cable'],
    jets: { 'jet.main': [1.15, 1.35], 'jet.idle': [0.35, 0.45] },
    turns: [14, 16, 18, 20],
    parts: ({ seatBore, floatMass }) => ({
      seat: `SE-${hundredth(seatBore)}`,
      float: `FL-${tenth(floatMass)}`,
    }),
  })

export const b34Numbers = () =>
  familyNumbers(quillardB34, {
    ...quillard,
    seed: 3411,
    marks: marksOf(34, 14, 10, 59, (n, i) => `B34-${n}${'FGH'[i % 3]}`),
    bores: [34],
    bolts: () => 58,
    seats: [1.8],
    heights: [21, 24.5],
    powers: [14, 16, 18],
    chokes: ['enricher, lever'],
    jets: { 'jet.main': [0.95, 1.15], 'jet.idle': [0.35, 0.4] },
    turns: [16, 17, 18, 20],
    parts: ({ floatMass }) => ({ float: `FL-${tenth(floatMass)}` }),
  })

export const u3Numbers = () =>
  familyNumbers(beskU3, {
    seed: 305,
    marks: marksOf(3, 24, 301, 389, (n, i) => `U${n}${'ABC'[i % 3]}`),
    bare: (i) => i % 4 === 2,
    bores: [13, 14, 15],
    venturi: (bore) => bore - 3,
    bolts: (bore) => (bore > 14 ? 34 : 31),
    seats: [1.4],
    heights: [9, 11.5],
    tolerance: 0.6,
    pressures: [1.8, 2.2],
    feed: 'gravity',
    powers: [1.5, 2, 2.5],
    bsfc: 450,
    litresPerKw: 0.06,
    idle: [1700, null],
    chokes: ['plate, lever', 'plate, cable'],
    inlet: () => 'hose',
    jets: { 'jet.main': [0.6, 0.8] },
    turns: [8, 10, 12],
    parts: ({ floatMass, bore }) => ({
      float: `FL-${tenth(floatMass)}`,
      'bowl.gasket': bore > 14 ? 'GK-312' : 'GK-311',
    }),
  })
