import { describe, expect, it } from 'vitest'
import { isRefusal } from '../../base/refusal/index.ts'
import { figureKinds, worked, type Worked } from './index.ts'

const kindOf = (name: string) => figureKinds.find((one) => one.name === name)!
const of = (name: string, typed: Record<string, string> = {}): Worked => {
  const said = worked(kindOf(name), typed)
  if (isRefusal(said)) throw new Error(said.refused.why)
  return said
}
const row = (said: Worked, name: string) => said.rows.find(([one]) => one === name)?.[1]
const refusedAt = (name: string, typed: Record<string, string>) => {
  const said = worked(kindOf(name), typed)
  return isRefusal(said) ? said.refused.input : undefined
}

describe('every figure', () => {
  it.each(figureKinds.map((kind) => [kind.name, kind] as const))(
    '%s is worked out and drawn from its example',
    (_, kind) => {
      const said = worked(kind, {})
      if (isRefusal(said)) throw new Error(said.refused.why)
      expect(said.headline).toMatch(/[.:]/)
      expect(said.rows.length).toBeGreaterThan(1)
      // Everything that is drawn lies in its box.
      const [x, y, w, h] = said.box
      const points = said.shapes.flatMap((shape) =>
        shape.is === 'line' || shape.is === 'area'
          ? shape.points
          : shape.is === 'size'
            ? [shape.from, shape.to]
            : [shape.at],
      )
      for (const [px, py] of points) {
        expect(px).toBeGreaterThanOrEqual(x)
        expect(px).toBeLessThanOrEqual(x + w)
        expect(py).toBeGreaterThanOrEqual(y)
        expect(py).toBeLessThanOrEqual(y + h)
      }
      for (const [, value] of said.rows) expect(value).not.toMatch(/NaN|Infinity|undefined/)
    },
  )
  it.each(figureKinds.map((kind) => [kind.name, kind] as const))(
    '%s says by its field what cannot be',
    (name, { fields }) => {
      for (const { key, choices } of fields) if (!choices) expect(refusedAt(name, { [key]: 'x y' })).toBe(key)
    },
  )
})

describe('a plate’s gap', () => {
  it('38 mm, shaft 3 off center, 1.4 thick, shut at 10°: 25° open is 3.40 mm, drill #29', () => {
    // L = (22 − 0.7·sin 10°)/cos 10° = 22.216; 22 − (L·cos 35° + 0.7·sin 35°) = 3.40.
    const said = of('gap')
    expect(row(said, 'Gap')).toBe('3.40 mm')
    expect(row(said, 'Drill')).toBe('#29, 3.45 mm')
    expect(said.headline).toBe('#29 sets it 0.3° wide, inside ±1.0°.')
  })
  it('typed the other way round it is the same angle; a drill is read as one', () => {
    expect(row(of('gap', { by: 'gap', gap: '3.40' }), 'Angle')).toBe('25.0°')
    expect(row(of('gap', { by: 'gap', gap: '#29' }), 'Gap')).toBe('3.45 mm')
    expect(refusedAt('gap', { by: 'gap', gap: '30' })).toBe('gap')
    expect(refusedAt('gap', { angle: '85' })).toBe('angle')
  })
})

describe('a float', () => {
  it('0.9 mm too high over 46 and 6 is a tenth of a millimeter at the tang', () => {
    // asin(0.9/46) = 0.01957; × 6 = 0.117.
    const said = of('bend')
    expect(said.headline).toBe('Bend the tang 0.12 mm away from the needle.')
    expect(of('bend', { more: 'more fuel' }).headline).toMatch(/toward the needle/)
    expect(of('bend', { target: '13.4' }).headline).toBe('It stands as wanted.')
  })
  it('a washer does the same where nothing is bent, the other way from outside', () => {
    expect(row(of('washer'), 'Washer wanted')).toBe('0.88 mm')
    expect(row(of('washer', { from: 'from outside' }), 'Washer wanted')).toBe('1.12 mm')
  })
  it('lies deeper by the pressure on its seat', () => {
    // (9·28 + 24·4.524/9.80665·6 + 0)/(0.000745·1150·28): thrust 11.07 g; (252 + 66.4)/23.99 = 13.3.
    expect(row(of('level'), 'Immersed')).toBe('13.3 of 20.0 mm')
    // 10 kPa more: 4.613 g·6/23.99 = 1.15.
    expect(row(of('level'), '10 kPa more')).toMatch(/1\.[12] mm higher/)
    expect(of('level', { kpa: '200' }).headline).toMatch(/^It cannot shut against 200 kPa/)
  })
  it('drops far enough or starves', () => {
    // 40 kW × 300 g/kWh at 745 g/L: 268 mL a minute.
    expect(row(of('drop'), 'Engine takes')).toBe('268 mL/min')
    expect(of('drop', { drop: '12.9' }).headline).toMatch(/^Too little/)
  })
})

describe('the bench', () => {
  it('a pump of 12 × 9 gives 1.02 mL', () => {
    expect(row(of('pump'), 'Volume')).toBe('1.02 mL')
    expect(row(of('pump'), 'Ten strokes')).toBe('10.2 mL')
    expect(refusedAt('pump', { holes: '1.5' })).toBe('holes')
  })
  it('two notches of 5° on a coil of 2.2° per °C are 4.5 °C', () => {
    expect(row(of('choke'), 'It shuts at')).toBe('24.5 °C')
    expect(of('choke', { notches: '-1' }).headline).toMatch(/leaner, off sooner/)
  })
  it('25 mL losing 1.5 kPa in half a minute leak 0.74 mL a minute', () => {
    // 25·1.5/101.325/30·60 = 0.740.
    expect(of('leak').headline).toBe('0.74 mL/min at 19 kPa: holds.')
    expect(of('leak', { to: '10' }).headline).toMatch(/leaks/)
    expect(refusedAt('leak', { to: '21' })).toBe('to')
  })
  it('+ 7 % at 1.5 turns: a fuel screw to 1 3/8, an air screw to 1 3/4 and a little', () => {
    // 1.5·1.07^(−1/0.7) = 1.362; 1.5·1.07^(1/0.36) = 1.81.
    expect(row(of('turns'), 'It ends at')).toBe('1 3/8 turns')
    expect(row(of('turns', { kind: 'air' }), 'It ends at')).toBe('1 3/4 turns')
    expect(of('turns', { ratio: '60', now: '1' }).headline).toMatch(/another idle jet first/)
  })
})

describe('place and fuel', () => {
  it('at 1,600 m every vacuum falls by 17.8 kPa: a cruise of 40 becomes 22.2', () => {
    const said = of('altitude')
    expect(row(said, 'Air')).toBe('83.5 kPa, 17.8 less')
    expect(row(said, 'Cruise vacuum')).toBe('22.2 kPa')
    expect(row(said, 'Idle vacuum')).toBe('30.2 kPa')
    expect(of('altitude', { cruise: '38' }).headline).toMatch(/^Power stands open at cruise there/)
  })
  it('90 mL that give 9 to the water are a tenth ethanol; 85 % wants 1.64 instead of 1.30', () => {
    expect(row(of('fuel'), 'Ethanol')).toBe('10 %')
    const far = of('fuel', { gas: '100', water: '10', after: '95' })
    expect(row(far, 'Main jet')).toBe('1.64 mm')
    expect(row(far, 'Idle jet')).toBe('0.58 mm')
    expect(row(far, '“30 % more” fits')).toBe('62 % ethanol')
    expect(refusedAt('fuel', { after: '9' })).toBe('after')
    expect(refusedAt('fuel', { after: '120' })).toBe('after')
  })
  it('5/16 in is 7.94 mm, 35 kPa 5.08 psi', () => {
    expect(of('units').headline).toBe('7.94 mm is 0.313 in.')
    expect(row(of('units'), 'Pressure')).toBe('35.0 kPa · 5.08 psi · 0.35 bar')
  })
})
