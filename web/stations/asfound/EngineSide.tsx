import { asTyped } from '../../shell/SettingsStrip'
import type { BodyState } from '@ekrond/core/job'
import { settingKey, type BuildSheet, type SettingSpec, type SpecSheet } from '@ekrond/core/sheets'
import { outsideSettings } from '@ekrond/core/stations'
import { Balloon, Drawing, Leader, Text, type Point } from '../../drawing'
import { ScrewDial } from '../../drawing/ScrewDial'

/** The outside as it stands: each thing to be noted at its place, filled when it is. */
export function EngineSide({
  spec,
  build,
  body,
  current,
  counting,
}: {
  spec: SpecSheet
  build: BuildSheet
  body: BodyState
  current: string
  counting: number | null
}) {
  const outside = outsideSettings({ spec, build })
  const value = (setting: SettingSpec) =>
    settingKey(setting) === current && counting !== null
      ? counting
      : (body.asFound[settingKey(setting)]?.value ?? null)
  const done = (setting: SettingSpec) =>
    settingKey(setting) in body.asFound || settingKey(setting) in body.asFoundSkipped
  const number = (setting: SettingSpec) => outside.indexOf(setting) + 1
  const mixtures = outside.filter((setting) => setting.code === 'mixture.turns')
  const has = (code: string) => outside.find((setting) => setting.code === code)
  const mark = (setting: SettingSpec, at: Point, to: Point, side: 'left' | 'right' = 'right') => {
    const now = settingKey(setting) === current
    const colour = now ? 'blue' : 'ink'
    const said = value(setting)
    const text = `${setting.short}${said !== null ? `: ${asTyped(body.asFound[settingKey(setting)]?.raw ?? '', said, setting)}` : now ? ': now' : ''}`
    return (
      <g key={settingKey(setting)}>
        <Leader from={at} to={to} colour={colour} />
        <Balloon
          at={at}
          number={number(setting)}
          text={text}
          side={side}
          colour={colour}
          filled={done(setting)}
        />
      </g>
    )
  }
  const choke = has('choke.index')
  const idle = has('idle.screw')
  const pump = has('pump.hole')
  const pull = has('vacuumBreak.gap')
  const airValve = has('airValve.turns')
  const stem = has('pump.stem')
  const side = spec.draft === 'side'
  const words = outside
    .map((s) => `${s.name} ${done(s) ? 'noted' : settingKey(s) === current ? 'now' : 'open'}`)
    .join(', ')
  return (
    <Drawing width={780} height={520} title={`The outside as it stands on the bench: ${words}.`}>
      {side ? (
        <>
          <path
            d="M150 160 H250 V110 H470 V160 H620 V330 H520 V440 H270 V330 H150 Z"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2.4}
          />
          <rect
            x={118}
            y={136}
            width={32}
            height={220}
            fill="url(#hatch)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <path d="M270 330 H520" stroke="var(--ink)" strokeWidth={1.4} />
          <Text at={[395, 428]} anchor="middle" colour="pencil" size={15}>
            bowl
          </Text>
        </>
      ) : (
        <>
          <path
            d="M200 70 H570 V128 H200 Z M150 128 H620 V380 H150 Z"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2.4}
          />
          <path
            d="M112 198 H150 V268 H112 Z M620 198 H664 V268 H620 Z"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <line x1={70} y1={362} x2={690} y2={362} stroke="var(--ink)" strokeWidth={7} />
          <rect
            x={132}
            y={380}
            width={508}
            height={34}
            fill="url(#hatch)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
        </>
      )}
      {mixtures.map((setting, i) => {
        const at: Point = side ? [360, 236] : mixtures.length === 2 ? [262 + i * 246, 236] : [385, 236]
        return (
          <g key={settingKey(setting)}>
            <ScrewDial
              at={at}
              radius={62}
              eighths={value(setting)}
              state={settingKey(setting) === current ? 'now' : done(setting) ? 'noted' : 'none'}
              label=""
            />
            {mark(
              setting,
              [at[0] + (mixtures.length === 2 && i === 0 ? -20 : 10), at[1] - 98],
              [at[0], at[1] - 62],
            )}
          </g>
        )
      })}
      {choke && (
        <g>
          <circle cx={650} cy={112} r={46} fill="var(--paper)" stroke="var(--ink)" strokeWidth={2.4} />
          {[-40, -20, 0, 20, 40].map((a) => (
            <line
              key={a}
              x1={650 + 46 * Math.sin((a * Math.PI) / 180)}
              y1={112 - 46 * Math.cos((a * Math.PI) / 180)}
              x2={650 + (a ? 38 : 32) * Math.sin((a * Math.PI) / 180)}
              y2={112 - (a ? 38 : 32) * Math.cos((a * Math.PI) / 180)}
              stroke="var(--ink)"
              strokeWidth={a ? 1.5 : 3}
            />
          ))}
          {mark(choke, [600, 26], [632, 70], 'left')}
        </g>
      )}
      {airValve && (
        <g>
          <ScrewDial
            at={[490, 99]}
            radius={24}
            eighths={null}
            state={settingKey(airValve) === current ? 'now' : 'none'}
            label=""
          />
          {mark(airValve, [478, 30], [488, 75], 'left')}
        </g>
      )}
      {pull && mark(pull, [330, 36], [380, 84], 'left')}
      {idle && (
        <g>
          <path
            d={side ? 'M620 230 H690 M690 216 V244 H704 V216 Z' : 'M664 324 H706 M706 310 V338 H722 V310 Z'}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2.4}
          />
          {mark(idle, side ? [690, 300] : [690, 458], side ? [697, 244] : [714, 338], 'left')}
        </g>
      )}
      {pump && (
        <g>
          <path
            d="M70 362 L62 300 L104 292 L118 362 Z"
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          {[72, 84, 96].map((x, i) => (
            <circle
              key={x}
              cx={x}
              cy={312 - i * 2}
              r={4.6}
              fill={value(pump) === i + 1 ? 'var(--ink)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth={1.6}
            />
          ))}
          <line
            x1={72 + ((value(pump) ?? 1) - 1) * 12}
            y1={312}
            x2={88}
            y2={150}
            stroke="var(--ink)"
            strokeWidth={4}
          />
          <path d="M62 150 H128" stroke="var(--ink)" strokeWidth={4} />
          {mark(pump, [44, 458], [78, 318])}
          {stem && mark(stem, [40, 66], [92, 148])}
        </g>
      )}
      <Text at={[250, 500]} size={15} colour="pencil">
        filled: noted · blue: now · before anything is turned
      </Text>
    </Drawing>
  )
}
