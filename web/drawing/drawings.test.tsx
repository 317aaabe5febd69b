import { teardownOrder, settingKey } from '@ekrond/core/sheets'
import { conditionsFor } from '@ekrond/core/bench/entering'
import { levelInUse } from '@ekrond/core/physics/float'
import { bodyOf, emptyJob } from '@ekrond/core/log'
import { isRefusal } from '@ekrond/core/base/refusal'
import { aim, judgeSetting } from '@ekrond/core/judge/settings'
import { outsideSettings } from '@ekrond/core/bench/stations'
import type { ReactElement } from 'react'
import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { models } from '../../demo/catalogue.ts'
import { sheetsFor } from '../../demo/log-entries.ts'
import { ModelMark } from '../library/ModelMark'
import { PaintedOutside } from '../stations/asfound/Outside'
import { PlanView } from '../stations/identify/PlanView'
import { Tries } from '../stations/set/Tries'
import { FloatSection } from './FloatSection'
import { AirValveSpring } from './settings/air-valve'
import { CoverIndex } from './settings/choke-index'
import { LeverHoles } from './settings/lever-holes'
import { MixtureScrews } from './settings/mixture-turns'
import { PlateInBore } from './settings/vacuum-break'
import { PumpLinkage } from './settings/pump-stem'
import { PaintedUnit } from './Unit'
import { unitDrawing } from '@ekrond/core/unit/families'

const all = models().flatMap((model) => model.listNumbers.map((item) => sheetsFor(item.number)))
/** One list number of each model. */
const each = models().map((model) => sheetsFor(model.listNumbers[0]!.number))

interface Label {
  text: string
  left: number
  right: number
  top: number
  bottom: number
}

function labelOf(attributes: string, inner: string): Label {
  const number = (name: string) => Number(new RegExp(`(?:^|\\s)${name}="([^"]*)"`).exec(attributes)?.[1])
  const text = inner
    .replace(/<[^>]+>/g, '')
    .replace(/&quot;/g, '"')
    .replace(/&amp;/g, '&')
  const size = Number(/(\d+(?:\.\d+)?)px/.exec(attributes)?.[1] ?? 16)
  const wide = text.length * size * (attributes.includes('JetBrains') ? 0.58 : 0.45)
  const anchor = /text-anchor="(\w+)"/.exec(attributes)?.[1] ?? 'start'
  const left = number('x') - (anchor === 'middle' ? wide / 2 : anchor === 'end' ? wide : 0)
  return { text, left, right: left + wide, top: number('y') - size * 0.75, bottom: number('y') }
}

/** What a drawing says and where, read off its markup. Letters are reckoned at half of their size, figures at six tenths. */
function read(drawing: ReactElement) {
  const markup = renderToStaticMarkup(drawing)
  const [, , width, height] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/
    .exec(markup)!
    .slice(1)
    .map((n) => Number(n)) as [number, number, number, number]
  const box = /viewBox="0 0 (\S+) (\S+)"/.exec(markup)!
  const labels = [...markup.matchAll(/<text ([^>]*)>(.*?)<\/text>/g)].flatMap(
    ([, attributes, inner]): Label[] => {
      const lines = [...inner!.matchAll(/<tspan ([^>]*)>(.*?)<\/tspan>/g)].filter(([, own]) =>
        own!.includes('x="'),
      )
      return lines.length
        ? lines.map(([, own, text]) => labelOf(`${attributes} ${own}`, text!))
        : [labelOf(attributes!, inner!)]
    },
  )
  return {
    markup,
    title: /aria-label="([^"]*)"/.exec(markup)![1]!,
    labels,
    width: Number(box[1]) || width,
    height: Number(box[2]) || height,
  }
}
const overlap = (a: Label, b: Label) =>
  Math.min(a.right, b.right) - Math.max(a.left, b.left) > 3 &&
  Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 3

/** Nothing that is no number, nothing outside the paper, no label over another. */
function sound(drawing: ReactElement, where: string): ReturnType<typeof read> {
  const it = read(drawing)
  expect(it.markup, where).not.toMatch(/NaN|Infinity|undefined|null/)
  for (const label of it.labels) {
    expect(label.left, `${where}: “${label.text}” over the left edge`).toBeGreaterThan(-4)
    expect(label.right, `${where}: “${label.text}” over the right edge`).toBeLessThan(it.width + 4)
    expect(label.top, `${where}: “${label.text}” over the top`).toBeGreaterThan(-4)
    expect(label.bottom, `${where}: “${label.text}” under the bottom`).toBeLessThan(it.height + 4)
  }
  const clash = it.labels.flatMap((a, i) =>
    it.labels
      .slice(i + 1)
      .filter((b) => overlap(a, b))
      .map((b) => `“${a.text}” on “${b.text}”`),
  )
  expect(clash, where).toEqual([])
  return it
}

const section = (sheets: (typeof all)[number], reading: number | null, view: 'held' | 'use') => {
  const { spec } = sheets
  const setting = spec.settings.find((one) => one.code === 'float.height')!
  const conditions = conditionsFor(emptyJob('x'), sheets)
  const level = levelInUse(
    spec.float,
    reading ?? aim(setting)!,
    conditions.pressureKpa,
    conditions.densityKgM3,
  )
  const said =
    reading === null
      ? null
      : judgeSetting(setting, reading, {
          spec,
          specRev: sheets.specRev,
          conditions,
          gauge: null,
          drawer: [],
          floatHeight: null,
        })
  const judged = said && !isRefusal(said) ? said : null
  return (
    <FloatSection
      sheets={sheets}
      reading={reading}
      target={aim(setting)!}
      verdict={judged?.verdict ?? null}
      remedy={judged?.remedy?.short ?? null}
      view={view}
      level={isRefusal(level) ? null : level}
      wantedBelowFace={spec.level.target}
      pressureKpa={conditions.pressureKpa}
    />
  )
}

describe('the section of the bowl, drawn for each of the 150 list numbers', () => {
  const height = (sheets: (typeof all)[number]) =>
    sheets.spec.settings.find((one) => one.code === 'float.height')!
  it('as held, on its value', () => {
    for (const sheets of all) {
      const { title, labels } = sound(section(sheets, null, 'held'), sheets.spec.listNumber)
      expect(title.length, sheets.spec.listNumber).toBeGreaterThan(30)
      expect(
        labels.map((label) => label.text),
        sheets.spec.listNumber,
      ).toContain(aim(height(sheets))!.toFixed(1))
    }
  })
  it('out by a millimetre and a half: the reading struck through, the value in red, the bend beside the tang', () => {
    for (const sheets of all)
      for (const by of [1.5, -1.5]) {
        const reading = aim(height(sheets))! + by
        const where = `${sheets.spec.listNumber} at ${reading}`
        const { labels } = sound(section(sheets, reading, 'held'), where)
        const texts = labels.map((label) => label.text)
        expect(texts, where).toContain(reading.toFixed(1))
        expect(texts, where).toContain(aim(height(sheets))!.toFixed(1))
      }
  })
  it('in use, with the fuel where the level says', () => {
    for (const sheets of all) sound(section(sheets, null, 'use'), sheets.spec.listNumber)
  })
})

describe('the mechanisms of each model', () => {
  it.each(each)('$spec.model', ({ spec }) => {
    const target = (code: string) => aim(spec.settings.find((one) => one.code === code)!)!
    if (spec.pump)
      for (const by of [-0.8, 0, 0.8]) {
        const wanted = target('pump.stem')
        sound(
          <PumpLinkage pump={spec.pump} reading={wanted + by} target={wanted} out={by !== 0} />,
          `${spec.model} pump ${by}`,
        )
      }
    if (spec.choke && spec.settings.some((one) => one.code === 'vacuumBreak.gap'))
      for (const by of [-0.5, 0, 0.5]) {
        const wanted = target('vacuumBreak.gap')
        sound(
          <PlateInBore choke={spec.choke} reading={wanted + by} target={wanted} out={by !== 0} />,
          `${spec.model} plate ${by}`,
        )
      }
    if (spec.choke && spec.settings.some((one) => one.code === 'choke.index'))
      for (const notches of [-3, 0, 3])
        sound(
          <CoverIndex
            notches={notches}
            target={target('choke.index')}
            notchDegrees={spec.choke.notchDegrees}
            out={notches !== 0}
          />,
          `${spec.model} cover ${notches}`,
        )
    for (const hole of [null, 1, 2, 4]) {
      const { title, labels } = sound(
        <LeverHoles hole={hole} target={2} name="Pump link hole" />,
        `hole ${hole}`,
      )
      expect(title).toContain(hole === null ? 'not noted' : `hole ${hole}`)
      // As many holes as are spoken of, at least three; where it is in the sheet's own, that is not said twice.
      expect(labels.filter(({ text }) => /^\d$/.test(text))).toHaveLength(Math.max(3, hole ?? 0))
      expect(labels.some(({ text }) => text === 'the sheet')).toBe(hole !== null && hole !== 2)
    }
    const screws = spec.settings.filter((one) => one.code === 'mixture.turns')
    const { title } = sound(
      <MixtureScrews
        flow={spec.mixture.kind}
        screws={screws.map((one, i) => ({ label: one.name, now: i === 0, eighths: i === 0 ? 11 : null }))}
      />,
      `${spec.model} screws`,
    )
    expect(title).toContain('1 3/8')
    expect(title).toContain(spec.mixture.kind === 'fuel' ? 'In is leaner' : 'In is richer')
  })
  it('the air valve’s spring says turns and which way is later', () => {
    const { title } = sound(<AirValveSpring eighths={6} target={4} />, 'air valve')
    expect(title).toBe(
      'Air valve spring: 3/4 turns wound on, target 1/2. More turns open it later, fewer sooner.',
    )
  })
})

describe('the unit of each model', () => {
  it.each(each)(
    '$spec.model: at each step what is off is dashed, what is now blue, and its name stands beside it',
    (sheets) => {
      const order = teardownOrder(sheets.build)
      for (const [k, current] of order.entries()) {
        const standings = Object.fromEntries(
          order.map(({ code }, i) => [
            code,
            i < k ? ('off' as const) : i === k ? ('now' as const) : ('on' as const),
          ]),
        )
        const drawn = renderToStaticMarkup(
          <svg>
            <PaintedUnit
              drawing={unitDrawing(sheets)}
              sheets={sheets}
              standings={standings}
              named={[{ code: current.code, number: String(k + 1), words: current.name }]}
              room={{ width: 700, height: 520 }}
            />
          </svg>,
        )
        const where = `${sheets.spec.model}, ${current.code}`
        expect(drawn, where).not.toMatch(/NaN|Infinity|undefined/)
        expect(drawn, where).toContain('stroke="var(--blue)"')
        expect(drawn.includes('stroke="var(--pencil)" stroke-width="1.25"'), where).toBe(k > 0)
        expect(drawn.replace(/<[^>]*>/g, ''), where).toContain(current.name.split(/[ -]/)[0])
      }
    },
  )
})

describe('the outside as it stands on the bench', () => {
  it.each(each)('$spec.model: each thing to be noted has its number at its place', (sheets) => {
    const outside = outsideSettings(sheets)
    const nothing = bodyOf(emptyJob('x'))
    const drawn = (current: string, body = nothing) =>
      sound(
        <svg viewBox="0 0 720 400" aria-label="outside">
          <PaintedOutside
            sheets={sheets}
            body={body}
            current={current}
            counting={null}
            size={{ width: 720, height: 400 }}
          />
        </svg>,
        `${sheets.spec.model}, ${current}`,
      )
    for (const now of outside) {
      const { labels, markup } = drawn(settingKey(now))
      const texts = labels.map((label) => label.text)
      expect(texts, sheets.spec.model).toContain(String(outside.indexOf(now) + 1))
      expect(markup, sheets.spec.model).toContain('stroke="var(--blue)"')
    }
    // All of it noted: every balloon that is drawn is filled, with what was found beside it.
    const found = Object.fromEntries(
      outside.map((one) => [
        settingKey(one),
        {
          raw: one.asWritten,
          value: aim(one)!,
          countedTo: null,
          headline: '',
          meaning: '',
          by: '',
          entry: '',
        },
      ]),
    )
    const { labels } = drawn('', { ...nothing, asFound: found })
    for (const n of outside.keys())
      expect(
        labels.map(({ text }) => text),
        `${sheets.spec.model} balloon ${n + 1}`,
      ).toContain(String(n + 1))
  })
})

describe('what identifies', () => {
  it.each(each)('$spec.model in plan: as many bores as it has, and its flange', (sheets) => {
    const { spec } = sheets
    const item = models().find((model) => model.code === spec.model)!.listNumbers[0]!
    const features = item.features as Record<string, number | string>
    const { markup, title } = sound(
      <PlanView
        sheets={sheets}
        look="flangeBoltSpacingMm"
        seen={{}}
        features={{
          throttleBoreMm: Number(features.throttleBoreMm),
          venturiMm: Number(features.venturiMm),
          flangeBoltSpacingMm: Number(features.flangeBoltSpacingMm),
          chokeKind: String(features.chokeKind),
        }}
      />,
      spec.model,
    )
    // A venturi is the dashed circle in each bore.
    expect(markup.match(/<circle[^>]*stroke-dasharray/g)).toHaveLength(spec.barrels)
    expect(title).toContain(`${spec.barrels} barrel`)
    expect(title).toContain(`flange bolts ${features.flangeBoltSpacingMm} mm`)
    expect(renderToStaticMarkup(<ModelMark features={features} />)).not.toMatch(/NaN|undefined/)
  })
})

describe('tries against their band', () => {
  const setting = all[0]!.spec.settings.find((one) => one.code === 'float.height')!
  const said = (values: number[]) =>
    values.map((value) => ({
      raw: String(value),
      value,
      gauge: null,
      sigma: null,
      bracket: null,
      shown: {
        verdict: 'out' as const,
        pIn: null,
        headline: '',
        meaning: '',
        remedy: null,
        facts: [],
        assumes: [],
        asWritten: '',
        target: null,
        lo: null,
        hi: null,
      },
      specRev: '',
      by: 'I. Marrow',
      at: '',
      entry: '',
    }))
  it('are told in words, the last six drawn', () => {
    const { title, labels } = read(
      <Tries setting={setting} said={said([9, 10, 11.2, 12, 12.6, 13, 13.4])} target={13.5} typed={null} />,
    )
    expect(title).toBe('Tries: 9.0, 10.0, 11.2, 12.0, 12.6, 13.0, 13.4. Band 13.5 ±0.5.')
    expect(labels.map(({ text }) => text)).not.toContain('9.0')
    expect(labels.map(({ text }) => text)).toContain('13.4')
  })
  it('none yet is said', () =>
    expect(read(<Tries setting={setting} said={[]} target={13.5} typed={12} />).title).toContain('none yet'))
})
