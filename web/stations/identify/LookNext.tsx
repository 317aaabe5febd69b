import type { nextLook } from '@ekrond/core/identify'
import { FEATURE_NAMES } from '@ekrond/core/sheets'
import styled from 'styled-components'
import { narrow } from '../../theme/global'
import { Label } from '../../ui'

const Box = styled.div`
  border: 2px solid var(--blue);
  padding: 9px 14px;
  & > b {
    display: block;
    font-size: 19px;
    line-height: 1.25;
  }
  & > span + b ~ span {
    display: block;
    font: 500 16px/1.4 ${narrow};
  }
  & > small {
    font-size: 14px;
    color: var(--pencil);
  }
`

const isLength = (feature: string) => feature.endsWith('Mm')

/** The single look that settles most for its minutes, with the values that would decide. */
export function LookNext({ look }: { look: NonNullable<ReturnType<typeof nextLook>> }) {
  return (
    <Box>
      <Label style={{ color: 'var(--blue)' }}>Check next</Label>
      <b>
        {isLength(look.feature)
          ? `Caliper the ${FEATURE_NAMES[look.feature]}.`
          : `Look at the ${FEATURE_NAMES[look.feature]}.`}
      </b>
      <span>{look.outcomes.map((outcome) => `${outcome.value}: ${outcome.id}`).join(' · ')}</span>
      <small>Would settle about {Math.round(look.settles * 100)} % of the remaining doubt.</small>
    </Box>
  )
}
