import type { ShopSettings } from '@ekrond/contract/shop'
import { gaugeKinds, plainNumber } from '@ekrond/core/measure'
import { FieldInput, FieldSelect, Label, QuietButton } from '../ui'

type GaugeSettings = ShopSettings['gauges'][number]

/** One gauge of the drawer: its number, name and kind, what it reads to and how far two readings lie apart. */
export function GaugeEditor({
  gauge,
  set,
  away,
}: {
  gauge: GaugeSettings
  set: (next: GaugeSettings) => void
  away: () => void
}) {
  const number = (text: string) => plainNumber(text, 0)
  return (
    <div
      role="group"
      aria-label={`Gauge ${gauge.code}`}
      style={{
        display: 'grid',
        gridTemplateColumns: '84px minmax(0, 1fr) 128px',
        gap: '0 10px',
        alignItems: 'end',
      }}
    >
      <FieldInput
        aria-label="Number"
        value={gauge.code}
        onChange={(event) => set({ ...gauge, code: event.target.value })}
      />
      <FieldInput
        aria-label="Gauge"
        value={gauge.name}
        onChange={(event) => set({ ...gauge, name: event.target.value })}
      />
      <FieldSelect
        aria-label="Kind"
        value={gauge.kind}
        onChange={(event) => set({ ...gauge, kind: event.target.value as GaugeSettings['kind'] })}
      >
        {gaugeKinds.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </FieldSelect>
      <label>
        <Label>Resolution, mm</Label>
        <FieldInput
          aria-label="Resolution, mm"
          inputMode="decimal"
          defaultValue={gauge.resolutionMm}
          onChange={(event) => set({ ...gauge, resolutionMm: number(event.target.value) })}
        />
      </label>
      <label>
        <Label>Repeatability, mm</Label>
        <FieldInput
          aria-label="Repeatability, mm"
          inputMode="decimal"
          defaultValue={gauge.repeatabilityMm}
          onChange={(event) => set({ ...gauge, repeatabilityMm: number(event.target.value) })}
        />
      </label>
      <QuietButton aria-label={`Remove gauge ${gauge.code}`} onPress={away}>
        gone
      </QuietButton>
      <label style={{ gridColumn: '1 / 3' }}>
        <Label>Last known good</Label>
        <FieldInput
          type="date"
          value={gauge.goodOn ?? ''}
          onChange={(event) => set({ ...gauge, goodOn: event.target.value || null })}
        />
      </label>
      <label>
        <Label>Found off on</Label>
        <FieldInput
          type="date"
          value={gauge.offOn ?? ''}
          onChange={(event) => set({ ...gauge, offOn: event.target.value || null })}
        />
      </label>
      {gauge.offOn && (
        <p style={{ gridColumn: '1 / -1', fontSize: 15, color: 'var(--red)' }}>
          What it showed {gauge.goodOn ? `after ${gauge.goodOn}` : 'until then'} is asked again on every open
          job.
        </p>
      )}
    </div>
  )
}
