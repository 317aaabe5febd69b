/** Strokes on a 26 mm square, as the drawings have them: tags on a rod, a part that comes off, one that goes on, a log, causes that part, a key cap. */
const SHAPES = {
  rack: 'M2 5H24M7 5V9M5 9H9V20H5ZM18 5V9M16 9H20V16H16Z',
  back: 'M10 4 4 10 10 16M4 10H16A6 6 0 0 1 16 22H9',
  again: 'M16 4 22 10 16 16M22 10H10A6 6 0 0 0 10 22H17',
  history: 'M5 3V23M5 6H21M5 13H17M5 20H21M5 6V6M3 6H7M3 13H7M3 20H7',
  why: 'M13 3V9M13 9 5 17M13 9 21 17M5 17V23M21 17V23M13 9V23',
  keys: 'M4 4H22V22H4ZM8 8H18V17H8Z',
} as const
export type BarIconName = keyof typeof SHAPES

export const BarIcon = ({ name }: { name: BarIconName }) => (
  <svg
    width="26"
    height="26"
    viewBox="0 0 26 26"
    fill="none"
    stroke="currentColor"
    strokeWidth="2"
    aria-hidden
  >
    <path d={SHAPES[name]} strokeLinejoin="round" strokeLinecap="round" />
  </svg>
)
