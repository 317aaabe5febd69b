import { portsOf } from '@ekrond/core/unit/families'
import { portWords } from '@ekrond/core/log'
import { useState } from 'react'
import { Choice, Label } from '../../ui'
import { Outside, portLetter } from '../asfound/Outside'
import { PortChoice } from '../asfound/Ports'
import { ProofSheet, type BenchProps } from './ProofSheet'

/** Each port as it goes out: joined, capped, or open on purpose. */
export function PortsBench(props: BenchProps) {
  const { open } = props
  const ports = portsOf(open.sheets)
  const [picked, setPicked] = useState<string | null>(null)
  const asked =
    ports.find(({ code }) => code === picked) ?? ports.find(({ code }) => !open.here.ports[code]?.left)
  return (
    <ProofSheet
      {...props}
      title="Ports, from outside"
      sub="lettered as on the drawing"
      entering={null}
      drawing={<Outside sheets={open.sheets} body={open.here} current="" counting={null} />}
    >
      <ul style={{ listStyle: 'none', display: 'grid', gap: 6 }}>
        {ports.map((port, i) => {
          const { left, found } = open.here.ports[port.code] ?? {}
          return (
            <li key={port.code}>
              <Choice $on={port === asked} onPress={() => setPicked(port.code)} style={{ width: '100%' }}>
                {portLetter(i)} {port.name}
                <span style={{ marginLeft: 'auto', fontWeight: 400 }}>
                  {left ? portWords(left) : found ? `came ${portWords(found)}` : 'not said'}
                </span>
              </Choice>
            </li>
          )
        })}
      </ul>
      {asked && (
        <div role="group" aria-label={`${asked.name} as left`} style={{ display: 'grid', gap: 6 }}>
          <Label>{asked.name} as left</Label>
          <PortChoice key={asked.code} open={open} port={asked} when="left" done={() => setPicked(null)} />
        </div>
      )}
    </ProofSheet>
  )
}
