import { symptoms, symptomWords } from '@ekrond/core/log'
import type { OpenJob } from '../data/job'
import { Choice } from '../ui'

/** What else it does, or does not: a tap each, and again for the other. */
export function Symptoms({
  open,
  main,
  say,
}: {
  open: OpenJob
  main: string
  say: (about: string, name: string, seen: 'present' | 'absent' | 'not asked') => void
}) {
  const others = symptoms.filter((one) => one !== main && one !== 'none: overhaul' && one !== 'rattle')
  const next = {
    undefined: 'present',
    'not asked': 'present',
    present: 'absent',
    absent: 'not asked',
  } as const
  return (
    <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}>
      {others.map((symptom) => {
        const about = `symptom:${symptom}`
        const now = open.state.signs[about]?.state
        return (
          <Choice
            key={symptom}
            $on={now === 'present'}
            aria-label={`${symptomWords(symptom)}: ${now === 'present' ? 'it does' : now === 'absent' ? 'it does not' : 'not said'}`}
            style={now === 'absent' ? { textDecoration: 'line-through' } : {}}
            onPress={() => say(about, symptom, next[now ?? 'undefined'])}
          >
            {symptomWords(symptom)}
          </Choice>
        )
      })}
    </div>
  )
}
