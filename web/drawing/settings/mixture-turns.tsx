import { lastSaid } from '@ekrond/core/job'
import { showTurns } from '@ekrond/core/measure'
import { settingKey } from '@ekrond/core/sheets'
import { Drawing, Text } from '../index'
import { ScrewDial } from '../ScrewDial'
import type { SettingPicture } from './props'

export const mixtureTurns: SettingPicture = {
  Picture: ({ spec, setting, reading, here }) => (
    <MixtureScrews
      kind={spec.mixture.kind}
      screws={spec.settings
        .filter((one) => one.code === setting.code)
        .map((one) => ({
          label: one.name,
          now: one === setting,
          eighths:
            one === setting ? reading.value : (lastSaid(here.readings[settingKey(one)])?.value ?? null),
        }))}
    />
  ),
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
