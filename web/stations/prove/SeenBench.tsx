import { enterSeen } from '@ekrond/core/bench/proving'
import { useState } from 'react'
import { Choice, FieldInput, Label } from '../../ui'
import { Outside } from '../asfound/Outside'
import { ProofSheet, type BenchProps } from './ProofSheet'

/** What a hand feels or an eye sees: it does, or it does not and why. */
export function SeenBench(props: BenchProps) {
  const { open, proof } = props
  const [yes, setYes] = useState<boolean | null>(null)
  const [words, setWords] = useState('')
  const again = () => {
    setYes(null)
    setWords('')
  }
  return (
    <ProofSheet
      {...props}
      title={proof.name}
      sub="by hand"
      entering={yes === null || (!yes && !words.trim()) ? null : enterSeen(proof, yes, words.trim())}
      again={again}
      logged={again}
      drawing={<Outside sheets={open.sheets} body={open.here} current="" counting={null} />}
    >
      <div role="group" aria-label={proof.name} style={{ display: 'flex', gap: 8 }}>
        <Choice $on={yes === true} onPress={() => setYes(true)}>
          It {proof.wants}
        </Choice>
        <Choice $on={yes === false} onPress={() => setYes(false)}>
          It does not
        </Choice>
      </div>
      {yes === false && (
        <label>
          <Label>What it does instead</Label>
          <FieldInput
            autoFocus
            value={words}
            onChange={(event) => setWords(event.target.value)}
            placeholder="in a few words"
          />
        </label>
      )}
    </ProofSheet>
  )
}
