import styled from 'styled-components'
import { narrow } from '../../theme/global'
import { Label } from '../../ui'

const Lines = styled.ol`
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 2px 24px;
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
  font: 400 16px/1.3 ${narrow};
  @media (max-width: 999px) {
    grid-template-columns: 1fr;
  }
`

/** What comes before the first screw, at the drawing's foot until something is off. */
export function WayIn({ lines }: { lines: readonly string[] }) {
  return (
    <section
      aria-label="Before the first screw"
      style={{ borderTop: '1px solid var(--rule)', paddingTop: 8 }}
    >
      <Label>Before the first screw</Label>
      <Lines>
        {lines.map((line, i) => (
          <li key={line}>
            {i + 1}. {line}
          </li>
        ))}
      </Lines>
    </section>
  )
}
