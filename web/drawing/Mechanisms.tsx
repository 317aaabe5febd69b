import { plateAngle } from '@ekrond/core/choke'
import { figure, nearestDrill, showTurns, showValue } from '@ekrond/core/measure'
import { linkagePose, linkChange } from '@ekrond/core/pump'
import { isRefusal } from '@ekrond/core/refusal'
import { linkageOf } from '@ekrond/core/setting'
import type { ChokeGeometry, PumpGeometry } from '@ekrond/core/sheets'
import {
  CentreLine,
  Dimension,
  Drawing,
  Leader,
  path,
  RedLine,
  ScaleBar,
  scaleOf,
  Text,
  type Point,
} from './index'

const DEG = Math.PI / 180

/** The pump linkage at idle (and wide open, dashed) with the stem's height as it was read. */
export function PumpLinkage({
  pump,
  reading,
  target,
  out,
}: {
  pump: PumpGeometry
  reading: number | null
  target: number
  out: boolean
}) {
  const linkage = linkageOf(pump)
  const lengthFor = (stem: number) => {
    const change = linkChange(linkage, pump.idle * DEG, stem + pump.stemDatumY)
    return isRefusal(change) ? linkage.linkLength : linkage.linkLength + change
  }
  const linkLength = lengthFor(reading ?? target)
  const idle = linkagePose({ ...linkage, linkLength }, pump.idle * DEG)
  const open = linkagePose({ ...linkage, linkLength }, pump.wot * DEG)
  const goal = linkagePose({ ...linkage, linkLength: lengthFor(target) }, pump.idle * DEG)
  const scale = scaleOf(6.1, [420, 420])
  if (isRefusal(idle) || isRefusal(open) || isRefusal(goal)) return null
  const pivot = scale([pump.pivotX, pump.pivotY])
  const shaft = scale([0, 0])
  const faceY = scale([0, pump.stemDatumY])[1]
  const stem = scale(idle.stem)
  const parts = (pose: typeof idle): Point[][] => {
    const rods: Point[][] = [
      [[0, 0], pose.lever],
      [pose.lever, pose.joint],
      [pose.joint, [pump.pivotX, pump.pivotY], pose.stem],
    ]
    return rods.map((points) => points.map(scale))
  }
  return (
    <Drawing
      width={760}
      height={500}
      title={`Pump linkage at idle. Stem ${figure(reading ?? target)} mm above the face, wants ${figure(target)}.`}
    >
      <line x1={300} y1={faceY} x2={540} y2={faceY} stroke="var(--ink)" strokeWidth={2} />
      <Text at={[470, faceY + 22]} size={15} colour="pencil">
        cover face
      </Text>
      <rect
        x={stem[0] - 37}
        y={faceY}
        width={74}
        height={126}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <line x1={stem[0]} y1={stem[1]} x2={stem[0]} y2={faceY + 74} stroke="var(--ink)" strokeWidth={7} />
      <path
        d={`M${stem[0] - 35} ${faceY + 74} h70 l-8 26 h-54Z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <Leader from={[stem[0] + 90, faceY + 150]} to={[stem[0] + 28, faceY + 90]} />
      <Text at={[stem[0] + 94, faceY + 156]}>cup in its well, {pump.wellBore} mm</Text>
      {parts(open).map((points, i) => (
        <path
          key={i}
          d={path(points)}
          fill="none"
          stroke="var(--line)"
          strokeWidth={2.5}
          strokeDasharray="6 5"
        />
      ))}
      {out && <RedLine points={[scale(goal.joint), pivot, scale(goal.stem)]} />}
      {parts(idle).map((points, i) => (
        <path
          key={i}
          d={path(points)}
          fill="none"
          stroke={i === 1 ? 'var(--blue)' : 'var(--ink)'}
          strokeWidth={i === 1 ? 4 : 6}
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      ))}
      {[shaft, pivot, scale(idle.lever), scale(idle.joint)].map((at, i) => (
        <circle
          key={i}
          cx={at[0]}
          cy={at[1]}
          r={i < 2 ? 7 : 4.5}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={2.2}
        />
      ))}
      <CentreLine from={[shaft[0] - 26, shaft[1]]} to={[shaft[0] + 26, shaft[1]]} />
      <CentreLine from={[shaft[0], shaft[1] - 26]} to={[shaft[0], shaft[1] + 26]} />
      <Text at={[shaft[0] + 34, shaft[1] + 6]}>throttle shaft</Text>
      <Leader
        from={[220, 300]}
        to={[
          (scale(idle.lever)[0] + scale(idle.joint)[0]) / 2,
          (scale(idle.lever)[1] + scale(idle.joint)[1]) / 2,
        ]}
        colour="blue"
      />
      <Text at={[214, 306]} anchor="end" colour="blue">
        link: bent for the height
      </Text>
      <Text at={[pivot[0] - 16, pivot[1] - 18]} anchor="end">
        pump lever
      </Text>
      <Dimension
        from={[stem[0] + 66, faceY]}
        to={[stem[0] + 66, stem[1]]}
        at={{ to: stem }}
        text={figure(reading ?? target)}
        colour={reading === null ? 'ink' : 'pencil'}
        {...(out ? { wants: figure(target) } : {})}
        textAt={[stem[0] + 80, (faceY + stem[1]) / 2 + 4]}
      />
      <Text at={[40, 470]} size={15} colour="pencil">
        solid: throttle shut · dashed: wide open
      </Text>
      <ScaleBar at={[630, 480]} scale={scale} />
    </Drawing>
  )
}

/** The choke plate in its bore, pulled off, with the drill that stands in the gap. */
export function PlateInBore({
  choke,
  reading,
  target,
  out,
}: {
  choke: ChokeGeometry
  reading: number | null
  target: number
  out: boolean
}) {
  const gap = Math.min(reading ?? target, choke.wallDistance)
  const angle = plateAngle(choke, gap)
  const goal = plateAngle(choke, target)
  const scale = scaleOf(9.5, [380, 240])
  if (isRefusal(angle) || isRefusal(goal)) return null
  const shut = Math.acos(choke.wallDistance / choke.edgeRadius)
  const edge = (opened: number, side: 1 | -1): Point => [
    side * choke.edgeRadius * Math.cos(shut + opened),
    side * choke.edgeRadius * Math.sin(shut + opened),
  ]
  const w = choke.wallDistance
  const drill = nearestDrill(gap, ['number', 'letter'])
  const tip = scale(edge(angle, 1))
  const wallX = scale([w, 0])[0]
  const radius = (drill.mm / 2) * scale.perMm
  return (
    <Drawing
      width={760}
      height={500}
      title={`Choke plate with the break held in. Gap ${figure(gap, 2)} mm, wants ${figure(target, 2)}.`}
    >
      {[-1, 1].map((side) => (
        <rect
          key={side}
          x={side < 0 ? scale([-w, 0])[0] - 44 : wallX}
          y={70}
          width={44}
          height={350}
          fill="url(#hatch)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      ))}
      <CentreLine from={[scale([0, 0])[0], 56]} to={[scale([0, 0])[0], 432]} />
      {out && <RedLine points={[scale(edge(goal, -1)), scale(edge(goal, 1))]} />}
      <line
        x1={scale(edge(angle, -1))[0]}
        y1={scale(edge(angle, -1))[1]}
        x2={tip[0]}
        y2={tip[1]}
        stroke="var(--ink)"
        strokeWidth={7}
      />
      <circle cx={380} cy={240} r={9} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <circle
        cx={(tip[0] + wallX) / 2}
        cy={tip[1] - radius - 4}
        r={radius}
        fill="var(--tint)"
        stroke="var(--blue)"
        strokeWidth={2}
      />
      <Leader
        from={[wallX + 74, tip[1] - 74]}
        to={[(tip[0] + wallX) / 2, tip[1] - radius - 4]}
        colour="blue"
      />
      <Text at={[wallX + 66, tip[1] - 84]} size={18} colour="blue">
        {`drill ${drill.name}`}
      </Text>
      <Dimension
        from={[tip[0], tip[1] + 46]}
        to={[wallX, tip[1] + 46]}
        at={{ from: tip, to: [wallX, tip[1]] }}
        text={figure(gap, 2)}
        colour={reading === null ? 'ink' : 'pencil'}
        {...(out ? { wants: figure(target, 2) } : {})}
        textAt={[wallX + 62, tip[1] + 54]}
      />
      <Text at={[120, 60]}>air horn, from the lever side</Text>
      <Text at={[384, 450]} anchor="middle" colour="pencil" size={15}>
        {`${figure(angle / DEG, 0)}° open`}
      </Text>
      <ScaleBar at={[560, 476]} scale={scale} />
    </Drawing>
  )
}

/** The coil's cover against its housing: each mark one notch. */
export function CoverIndex({
  notches,
  target,
  notchDegrees,
  out,
}: {
  notches: number | null
  target: number
  notchDegrees: number
  out: boolean
}) {
  const shown = notches ?? target
  // Drawn wider than life so that a notch can be seen across the bench.
  const spread = Math.max(notchDegrees, 11)
  const at = (n: number, r: number): Point => [
    380 + r * Math.sin(n * spread * DEG),
    260 - r * Math.cos(n * spread * DEG),
  ]
  return (
    <Drawing
      width={760}
      height={500}
      title={`Choke cover at ${showValue(shown, 'notches')}, wants ${showValue(target, 'notches')}.`}
    >
      <circle cx={380} cy={260} r={180} fill="none" stroke="var(--ink)" strokeWidth={2} />
      {[-4, -3, -2, -1, 0, 1, 2, 3, 4].map((n) => {
        const [a, b] = [at(n, 180), at(n, n === 0 ? 150 : 164)]
        return (
          <line
            key={n}
            x1={a[0]}
            y1={a[1]}
            x2={b[0]}
            y2={b[1]}
            stroke="var(--ink)"
            strokeWidth={n === 0 ? 4 : 2}
          />
        )
      })}
      <circle cx={380} cy={260} r={140} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <path
        d={`M380 260 m-10 0 a10 10 0 1 1 20 0 a20 20 0 1 1 -40 0 a32 32 0 1 1 64 0 a46 46 0 1 1 -92 0 a62 62 0 1 1 124 0`}
        fill="none"
        stroke="var(--line)"
        strokeWidth={3}
      />
      <path
        d={`M${at(shown, 146).join(' ')} L${at(shown + 0.35, 122).join(' ')} L${at(shown - 0.35, 122).join(' ')} Z`}
        fill={notches === null ? 'var(--ink)' : 'var(--pencil)'}
      />
      {out && (
        <path
          d={`M${at(target, 147).join(' ')} L${at(target + 0.35, 122).join(' ')} L${at(target - 0.35, 122).join(' ')} Z`}
          fill="none"
          stroke="var(--red)"
          strokeWidth={2.2}
        />
      )}
      <Text at={[380, 58]} anchor="middle">
        housing’s long mark
      </Text>
      <Text at={[at(4, 214)[0], at(4, 214)[1]]} anchor="middle" size={18}>
        rich
      </Text>
      <Text at={[at(-4, 214)[0], at(-4, 214)[1]]} anchor="middle" size={18}>
        lean
      </Text>
      <Text at={[380, 476]} anchor="middle" colour="pencil" size={15}>
        {`drawn wide: one notch is ${notchDegrees}°`}
      </Text>
    </Drawing>
  )
}

/** One adjusting screw, seen from its head, with the turns it is out. */
export function ScrewDial({
  at,
  radius,
  eighths,
  state,
  label,
}: {
  at: Point
  radius: number
  eighths: number | null
  state: 'now' | 'noted' | 'none'
  label: string
}) {
  const colour = state === 'now' ? 'blue' : 'ink'
  const part = ((eighths ?? 0) % 8) * 45
  const end: Point = [
    at[0] + radius * 0.68 * Math.sin(part * DEG),
    at[1] - radius * 0.68 * Math.cos(part * DEG),
  ]
  return (
    <g>
      <circle
        cx={at[0]}
        cy={at[1]}
        r={radius}
        fill="var(--paper)"
        stroke={`var(--${colour})`}
        strokeWidth={2.4}
      />
      {[0, 1, 2, 3, 4, 5, 6, 7].map((n) => {
        const a = n * 45 * DEG
        const inner = n % 2 ? 0.88 : 0.8
        return (
          <line
            key={n}
            x1={at[0] + radius * Math.sin(a)}
            y1={at[1] - radius * Math.cos(a)}
            x2={at[0] + radius * inner * Math.sin(a)}
            y2={at[1] - radius * inner * Math.cos(a)}
            stroke={`var(--${colour})`}
            strokeWidth={n % 2 ? 1.4 : 2.4}
          />
        )
      })}
      {eighths !== null && part > 0 && (
        <path
          d={`M${at[0]} ${at[1]} V${at[1] - radius * 0.68} A${radius * 0.68} ${radius * 0.68} 0 ${part > 180 ? 1 : 0} 1 ${end[0]} ${end[1]} Z`}
          fill={`var(--${colour})`}
          opacity={0.3}
        />
      )}
      {eighths !== null && eighths >= 8 && part === 0 && (
        <circle cx={at[0]} cy={at[1]} r={radius * 0.68} fill={`var(--${colour})`} opacity={0.3} />
      )}
      <rect
        x={at[0] - radius * 0.66}
        y={at[1] - 6}
        width={radius * 1.32}
        height={12}
        fill="var(--paper)"
        stroke={`var(--${colour})`}
        strokeWidth={2}
        transform={`rotate(${part - 90} ${at[0]} ${at[1]})`}
      />
      <text
        x={at[0]}
        y={at[1] + radius + 34}
        textAnchor="middle"
        fill={state === 'now' ? 'var(--blue)' : 'var(--pencil)'}
        style={{ font: "500 26px 'Barlow Semi Condensed'", fontFeatureSettings: "'frac'" }}
      >
        {eighths === null ? '·' : showTurns(eighths)}
      </text>
      <Text at={[at[0], at[1] - radius - 14]} anchor="middle" colour={colour}>
        {label}
      </Text>
    </g>
  )
}

/** Mixture screws side by side with the word that matters on this unit. */
export function MixtureScrews({
  screws,
  kind,
}: {
  screws: { label: string; eighths: number | null; now: boolean }[]
  kind: 'fuel' | 'air'
}) {
  return (
    <Drawing
      width={760}
      height={500}
      title={`Mixture screws: ${screws.map((s) => `${s.label} ${s.eighths === null ? 'not set' : showTurns(s.eighths)}`).join(', ')}. In is ${kind === 'fuel' ? 'leaner' : 'richer'}.`}
    >
      {screws.map((screw, i) => (
        <ScrewDial
          key={screw.label}
          at={[(760 * (i + 1)) / (screws.length + 1), 210]}
          radius={92}
          eighths={screw.eighths}
          state={screw.now ? 'now' : 'noted'}
          label={screw.label}
        />
      ))}
      <path
        d="M60 420 C 90 390 130 390 150 412"
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
        markerEnd="url(#arrow-ink)"
      />
      <Text at={[166, 424]} size={20} weight={600}>
        {`to the right is in: ${kind === 'fuel' ? 'leaner' : 'richer'}`}
      </Text>
      <Text at={[166, 450]} colour="pencil">
        {kind === 'fuel' ? 'fuel flows past the tip of these screws' : 'air flows past the tip of this screw'}
      </Text>
    </Drawing>
  )
}

/** The flap over the secondaries, hung off its middle, and the coil that shuts it: as many turns of it as were wound on. */
export function AirValveSpring({ eighths, target }: { eighths: number | null; target: number }) {
  const turns = (eighths ?? target) / 8
  const [px, py]: Point = [214, 250]
  // One and a half coils hang slack; what is wound on comes to them.
  const sweep = (1.5 + turns) * 2 * Math.PI
  const coil = Array.from({ length: 73 }, (_, i): Point => {
    const a = (i / 72) * sweep
    const r = 13 + (36 * i) / 72
    return [px + r * Math.cos(a), py + r * Math.sin(a)]
  })
  return (
    <Drawing
      width={760}
      height={500}
      title={`Air valve spring: ${eighths === null ? 'not set' : showTurns(eighths)} turns wound on, wants ${showTurns(target)}. More turns open it later, fewer sooner.`}
    >
      {[90, 390].map((x) => (
        <rect
          key={x}
          x={x}
          y={110}
          width={22}
          height={270}
          fill="url(#hatch)"
          stroke="var(--ink)"
          strokeWidth={2.2}
        />
      ))}
      <path
        d={`M114 ${py - 5} H388 V${py + 5} H114 Z`}
        fill="var(--paper)"
        stroke="var(--ink)"
        strokeWidth={2.2}
      />
      <path
        d={`M${px + 174} ${py} A174 174 0 0 1 ${px + 87} ${py + 151}`}
        fill="none"
        stroke="var(--line)"
        strokeWidth={1.6}
        strokeDasharray="6 5"
        markerEnd="url(#arrow-ink)"
      />
      <path d={path(coil)} fill="none" stroke="var(--blue)" strokeWidth={3} strokeLinecap="round" />
      <circle cx={px} cy={py} r={8} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
      <CentreLine from={[px, py - 90]} to={[px, py + 90]} />
      <Text at={[251, 96]} anchor="middle" colour="pencil" size={16}>
        air, to the secondaries
      </Text>
      <ScrewDial at={[570, 230]} radius={92} eighths={eighths} state="now" label="wound on" />
      <Text at={[130, 432]} size={20} weight={600}>
        more turns: it opens later
      </Text>
      <Text at={[130, 458]} colour="pencil">
        too few: it opens early, and bogs
      </Text>
    </Drawing>
  )
}
