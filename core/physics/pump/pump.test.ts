import { describe, expect, it } from 'vitest'
import { orvaneK44 } from '../../../demo/models/orvane.ts'
import { isRefusal } from '../../base/refusal/index.ts'
import { linkageOf } from '../../judge/settings/index.ts'
import { linkChange, linkagePose, pistonVolume, pumpStroke, shotSeconds, type Linkage } from './index.ts'

const DEG = Math.PI / 180
const linkage = linkageOf(orvaneK44.spec.pump!)

describe('a pump linkage', () => {
  it('keeps its link’s length at every throttle angle', () => {
    for (const theta of [0, 20, 45, 78]) {
      const pose = linkagePose(linkage, theta * DEG)
      if (isRefusal(pose)) throw new Error(pose.refused.why)
      expect(Math.hypot(pose.lever[0] - pose.joint[0], pose.lever[1] - pose.joint[1])).toBeCloseTo(46, 9)
      expect(Math.hypot(pose.joint[0] + 18, pose.joint[1] - 46)).toBeCloseTo(20, 9)
    }
  })
  it('a parallelogram moves its stem as its lever does', () => {
    // Lever and input arm alike and parallel, link = pivot distance: ψ = θ, so y = Y + c·sin θ.
    const parallel: Linkage = {
      leverRadius: 10,
      leverAngle: 0,
      pivotX: 0,
      pivotY: 30,
      inputArm: 10,
      linkLength: 30,
      outputArm: 15,
      outputAngle: 0,
      elbow: 1,
    }
    const stroke = pumpStroke(
      {
        ...parallel,
        elbow:
          isRefusal(linkagePose(parallel, 0)) ||
          Math.abs((linkagePose(parallel, 0) as { psi: number }).psi) > 1e-6
            ? -1
            : 1,
      },
      0,
      60 * DEG,
    )
    expect(stroke).toMatchObject({ stroke: expect.closeTo(15 * Math.sin(60 * DEG), 6) as number })
  })
  it('finds the exact top where it goes over centre', () => {
    const over: Linkage = { ...linkage, leverAngle: 210 * DEG, linkLength: 42 }
    const stroke = pumpStroke(over, 0, 78 * DEG)
    if (isRefusal(stroke)) throw new Error(stroke.refused.why)
    const at = stroke.turnsBackAt!
    const y = (theta: number) => (linkagePose(over, theta) as { stem: [number, number] }).stem[1]
    // Flat at the turn: the slope on both sides has opposite signs.
    expect((y(at + 1e-4) - y(at)) * (y(at) - y(at - 1e-4))).toBeLessThanOrEqual(0)
    expect(at / DEG).toBeCloseTo(59.5, 1)
  })
  it('names the throttle angle where it locks', () => {
    expect(pumpStroke({ ...linkage, leverAngle: 190 * DEG, linkLength: 38 }, 0, 78 * DEG)).toMatchObject({
      refused: { why: expect.stringMatching(/locks at 5\d\.\d°/) as string },
    })
  })
  it('bends the link so that the stem stands where it is wanted', () => {
    const change = linkChange(linkage, 0, 49) as number
    const pose = linkagePose({ ...linkage, linkLength: linkage.linkLength + change }, 0)
    expect(pose).toMatchObject({ stem: [expect.any(Number) as number, expect.closeTo(49, 9) as number] })
    expect(linkChange(linkage, 0, 90)).toMatchObject({ refused: { input: 'targetStem' } })
  })
})

describe('what the pump gives', () => {
  it('a 12 mm well over 9 mm is 1.018 mL', () => expect(pistonVolume(12, 9)).toBeCloseTo(1.0179, 4))
  it('a smaller nozzle on a spring lasts longer by the area', () => {
    const wide = shotSeconds(1, 0.75, 2, 0.7, 18, 745) as number
    const narrow = shotSeconds(1, 0.75, 2, 0.5, 18, 745) as number
    expect(narrow / wide).toBeCloseTo((0.7 / 0.5) ** 2, 9)
    // 1000 mm³/(0.75·0.7697 mm²·6951 mm/s) = 0.249 s
    expect(wide).toBeCloseTo(0.249, 3)
  })
  it('refuses half a hole', () =>
    expect(shotSeconds(1, 0.75, 1.5, 0.7, 18, 745)).toMatchObject({ refused: { input: 'holes' } }))
})
