import { floatView } from '@ekrond/core/unit/families'
import { type Sheets, factOf } from '@ekrond/core/sheets'
import type { OwnFact } from '@ekrond/core/log'
import { figure } from '@ekrond/core/measure'
import {
  Balloon,
  CentreLine,
  Dimension,
  Drawing,
  path,
  plus,
  ScaleBar,
  scaleOf,
  Text,
  type Point,
} from '../drawing/index'
import { Broken, brokenAt } from '../drawing/Broken'
import { Hatchings, Pieces, type View } from '../drawing/Pieces'
import { useId } from 'react'

const WIDTH = 640
const HEIGHT = 430

interface Props {
  sheets: Pick<Sheets, 'spec' | 'build'>
  said: Readonly<Record<string, OwnFact>>
  /** the fact that is asked now */
  asked: string | null
  /** the number of each fact that has a place on the drawing */
  numbers: Readonly<Record<string, number>>
}

/** Bowl, float, needle and seat from the family in pencil, and in ink what was measured on this unit; each measurement at its place. */
export function TaughtFloat({ sheets, said, asked, numbers }: Props) {
  const { float, section } = sheets.spec
  const around = floatView(sheets, 'use')
  const clip = useId()
  const inked = (...codes: string[]) => codes.every((code) => said[code])
  const { x0: minX, x1: maxX, y0: minY, y1: maxY } = around.window
  const perMm = Math.min(500 / (maxX - minX), 300 / (maxY - minY))
  const scale = scaleOf(perMm, [(WIDTH - (maxX - minX) * perMm) / 2 - minX * perMm, 70 + maxY * perMm], false)
  const view: View = { perMm, origin: scale([0, 0]) }
  const breaks = brokenAt(around.window, around.castings)
  const line = (points: readonly Point[], ink: boolean, shut = true, width = 1.8) => (
    <path
      d={path(points.map(scale), shut)}
      fill="none"
      stroke={ink ? 'var(--ink)' : 'var(--pencil)'}
      strokeWidth={ink ? width + 0.4 : 1.3}
      {...(ink ? {} : { strokeDasharray: '6 4' })}
      strokeLinejoin="round"
    />
  )
  const seated = (points: readonly Point[]) => points.map((p) => plus(p, section.pin))
  const pin = scale(section.pin)
  const toe = scale(plus(float.measurePoint.at, section.pin))
  const needle = scale(section.anchors.needle ?? section.pin)
  const faceY = scale([0, section.faceY])[1]
  const floats = seated(section.float).map(scale)
  const [floatTop, floatFoot] = [Math.min(...floats.map(([, y]) => y)), Math.max(...floats.map(([, y]) => y))]
  const floatRight = Math.max(...floats.map(([x]) => x))
  const middle: Point = [
    (floats.reduce((sum, [x]) => sum + x, 0) / floats.length) | 0,
    (floatTop + floatFoot) / 2,
  ]
  const foot = scale([0, minY])[1]
  const colour = (code: string) => (asked === code ? 'blue' : said[code] ? 'ink' : 'pencil')
  const value = (code: string) => {
    const one = said[code]
    return typeof one?.value === 'number' ? figure(one.value) : ''
  }
  const balloon = (code: string, at: Point) =>
    numbers[code] !== undefined && (
      <Balloon at={at} number={numbers[code]} colour={colour(code)} filled={asked === code} />
    )
  const dimension = (
    code: string,
    from: Point,
    to: Point,
    ends: { from?: Point; to?: Point },
    badge: Point,
    textAt: Point,
  ) =>
    numbers[code] !== undefined && (
      <g opacity={asked === code || said[code] ? 1 : 0.55}>
        <Dimension
          from={from}
          to={to}
          at={ends}
          text={value(code)}
          textAt={textAt}
          colour={asked === code ? 'blue' : 'ink'}
        />
        {balloon(code, badge)}
      </g>
    )
  return (
    <Drawing
      width={WIDTH}
      height={HEIGHT}
      title={`Float and inlet: ${
        Object.keys(said)
          .map((code) => factOf(code)?.name.toLowerCase())
          .filter(Boolean)
          .join(', ') || 'nothing'
      } measured; the rest borrowed from the family.${asked ? ` Asked now: ${factOf(asked)?.name}.` : ''}`}
    >
      <Hatchings />
      <Broken id={clip} window={around.window} at={breaks} view={view} />
      <g clipPath={`url(#${clip})`}>
        {around.castings.map(({ code, pieces }) => (
          <Pieces key={code} pieces={pieces} mode="pencil" view={view} breaks={breaks.lines(view)} />
        ))}
      </g>
      <Pieces pieces={around.seat} mode={inked('seat.bore') ? 'on' : 'pencil'} view={view} />
      <Pieces pieces={around.guide} mode="pencil" view={view} />
      {line(section.needle, inked('seat.bore'))}
      {line(seated(section.float), inked('float.area', 'float.depth'))}
      {line(seated(section.arm), inked('float.arm'), false, 2.4)}
      {line(seated(section.tang), inked('float.tang'), false, 2.4)}
      <circle
        cx={pin[0]}
        cy={pin[1]}
        r={6}
        fill="var(--paper)"
        stroke={inked('float.pin') ? 'var(--ink)' : 'var(--pencil)'}
        strokeWidth={2}
      />
      <CentreLine from={[needle[0], faceY - 40]} to={[needle[0], pin[1] + 30]} />
      {dimension(
        'float.arm',
        [pin[0], foot + 34],
        [toe[0], foot + 34],
        { from: pin, to: toe },
        [(pin[0] + toe[0]) / 2 - 30, foot + 34],
        [(pin[0] + toe[0]) / 2 - 6, foot + 28],
      )}
      {dimension(
        'float.tang',
        [pin[0], pin[1] + 52],
        [needle[0], pin[1] + 52],
        { from: pin, to: needle },
        [Math.min(pin[0], needle[0]) - 30, pin[1] + 52],
        [Math.min(pin[0], needle[0]) - 94, pin[1] + 58],
      )}
      {dimension(
        'float.pin',
        [pin[0] - 40, faceY],
        [pin[0] - 40, pin[1]],
        { from: [pin[0] - 70, faceY], to: pin },
        [pin[0] - 64, (faceY + pin[1]) / 2],
        [pin[0] - 128, (faceY + pin[1]) / 2 + 6],
      )}
      {dimension(
        'float.depth',
        [floatRight + 26, floatTop],
        [floatRight + 26, floatFoot],
        { from: [floatRight, floatTop], to: [floatRight, floatFoot] },
        [floatRight + 48, (floatTop + floatFoot) / 2],
        [floatRight + 30, floatFoot + 28],
      )}
      {numbers['seat.bore'] !== undefined && (
        <g>
          <path
            d={`M${needle[0]} ${faceY - 24}L${needle[0] + 74} ${faceY - 44}`}
            stroke={`var(--${colour('seat.bore')})`}
            strokeWidth={1}
          />
          {balloon('seat.bore', [needle[0] + 88, faceY - 48])}
          <Text at={[needle[0] + 108, faceY - 42]} face="figures" size={20} colour={colour('seat.bore')}>
            {value('seat.bore')}
          </Text>
        </g>
      )}
      {numbers['float.mass'] !== undefined && (
        <g>
          {balloon('float.mass', [middle[0] - 30, middle[1]])}
          <Text at={[middle[0] - 8, middle[1] + 6]} face="figures" size={18} colour={colour('float.mass')}>
            {said['float.mass'] ? `${value('float.mass')} g` : ''}
          </Text>
        </g>
      )}
      {balloon('float.area', [floatRight - 34, floatTop - 22])}
      {said['float.area'] && (
        <Text at={[floatRight - 14, floatTop - 17]} size={15}>
          {said['float.area'].raw}
        </Text>
      )}
      {dimension(
        'pin.floor',
        [pin[0] - 16, pin[1]],
        [pin[0] - 16, foot],
        { from: pin },
        [pin[0] - 16, foot - 22],
        [pin[0] + 4, foot - 16],
      )}
      <ScaleBar at={[WIDTH - 84 - 10 * perMm, HEIGHT - 12]} scale={scale} />
    </Drawing>
  )
}
