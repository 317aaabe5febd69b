import { figure } from '../../measure/index.ts'

export const lookCodes = ['level', 'slot'] as const
export type LookCode = (typeof lookCodes)[number]

/** What can be seen, mm only where it has one. */
export interface LookSeen {
  look: LookCode
  seen: string
  /** how far above or below its mark, mm; null where nobody measured it */
  mm: number | null
}

export interface Look {
  code: LookCode
  name: string
  question: string
  answers: readonly { code: string; words: string; measured?: true }[]
}

/** What is looked at from outside besides the settings, while nothing has been moved or drained. */
export const looks: readonly Look[] = [
  {
    code: 'level',
    name: 'Fuel level',
    question:
      'Fuel in its sight glass, at the level plug or in a clear tube at the drain, before it is drained: where does it stand?',
    answers: [
      { code: 'at', words: 'at its mark' },
      { code: 'above', words: 'above it', measured: true },
      { code: 'below', words: 'below it', measured: true },
      { code: 'none', words: 'cannot be seen here' },
    ],
  },
  {
    code: 'slot',
    name: 'Plate over transfer slot',
    question:
      'Throttle back on its stop, fast idle off: how much of the transfer slot shows on the engine’s side?',
    answers: [
      { code: 'hidden', words: 'none of it' },
      { code: 'square', words: 'about as tall as it is wide' },
      { code: 'long', words: 'more than that' },
      { code: 'none', words: 'cannot be seen here' },
    ],
  },
]

export interface LookSays {
  headline: string
  meaning: string
  usual: boolean
}

/** What a look says before anything is opened; it is a hint for the teardown, never a verdict. */
export function lookSays({ look, seen, mm }: LookSeen): LookSays {
  if (seen === 'none') return { headline: 'Not seen.', meaning: 'It counts neither way.', usual: true }
  if (look === 'level') {
    if (seen === 'at')
      return {
        headline: 'Level at its mark.',
        meaning: 'Float height and needle did their work, at the pressure that it had then.',
        usual: true,
      }
    const far = mm === null ? '' : `${figure(mm)} mm `
    return seen === 'above'
      ? {
          headline: `Level ${far}above its mark.`,
          meaning:
            'Weigh the float and look at needle and seat before its height is touched; ask what pressure feeds it.',
          usual: false,
        }
      : {
          headline: `Level ${far}below its mark.`,
          meaning:
            'It counts only where it has just run: a bowl dries out as it stands. Else look at the needle sticking shut, the screen and the supply.',
          usual: false,
        }
  }
  if (seen === 'square')
    return {
      headline: 'The plate stands as it should.',
      meaning: 'Idle and the start of the transfer come from where they belong.',
      usual: true,
    }
  return seen === 'long'
    ? {
        headline: 'The stop was screwed in: it idles on the transfer slot.',
        meaning:
          'Its mixture screws then do little and there is nothing left for the step off idle. Somebody made up for a starved idle: look at the idle passages and for an air leak.',
        usual: false,
      }
    : {
        headline: 'The slot is hidden: the plate stands too far shut.',
        meaning:
          'It stumbles just off idle. Look for idle air from elsewhere, a leak or a by-pass, and for a stop that was backed off.',
        usual: false,
      }
}
