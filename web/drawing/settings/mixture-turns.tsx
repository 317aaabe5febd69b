import { lastSaid } from '@ekrond/core/log'
import { showTurns } from '@ekrond/core/measure'
import { flowWords, screwWords, type ScrewFlow } from '@ekrond/core/physics/mixture'
import { screwFlowOf, settingKey } from '@ekrond/core/sheets'
import { Drawing, Text } from '../index'
import { ScrewDial } from '../ScrewDial'
import type { SettingPicture, SettingPictureProps } from './props'

export const mixtureTurnsPicture: SettingPicture = {
  Picture: (props) => (
    <MixtureScrews
      flow={screwFlowOf(props.setting, props.spec) ?? props.spec.mixture.kind}
      screws={dialsOf(props)}
    />
  ),
}

/** Any other adjusting screw counted out from its seat. */
export const screwTurnsPicture: SettingPicture = {
  Picture: (props) => <MixtureScrews flow={screwFlowOf(props.setting, props.spec)} screws={dialsOf(props)} />,
}

/** Those of its kind side by side: screws that something else flows past are not shown as its like. */
const dialsOf = ({ spec, setting, reading, here }: SettingPictureProps) =>
  spec.settings
    .filter((one) => one.code === setting.code && one.flows === setting.flows)
    .map((one) => ({
      label: one.name,
      now: one === setting,
      eighths: one === setting ? reading.value : (lastSaid(here.readings[settingKey(one)])?.value ?? null),
    }))

const PAST: Readonly<Record<ScrewFlow, string>> = {
  fuel: 'fuel flows past its tip',
  air: 'idle air flows past its tip',
  bypass: 'air flows past its tip, round the plate',
  stop: 'no flow past it: it sets the throttle plate',
  main: 'fuel flows past its tip, under load',
  pump: 'no flow past it: it sets the pump lever',
}

/** Adjusting screws side by side with the word that matters on this unit. */
export function MixtureScrews({
  screws,
  flow,
}: {
  screws: { label: string; eighths: number | null; now: boolean }[]
  flow: ScrewFlow | null
}) {
  const [first] = (flow ? flowWords[flow] : screwWords(null)).replace(/\.$/, '').split(/, |: /)
  return (
    <Drawing
      width={760}
      height={500}
      title={`Mixture screws: ${screws.map((s) => `${s.label} ${s.eighths === null ? 'not recorded' : showTurns(s.eighths)}`).join(', ')}. ${first}.`}
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
        {`clockwise is in. ${first}`}
      </Text>
      <Text at={[166, 450]} colour="pencil">
        {flow === null ? 'not recorded what flows past its tip: follow its passage' : PAST[flow]}
      </Text>
    </Drawing>
  )
}
