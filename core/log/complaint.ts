/** What a symptom or a moment is called on screen and paper, where that is another word than the log's. */
const SAID: Readonly<Record<string, string>> = {
  'weep at a thread': 'seeps at a fitting',
  'pops on the overrun': 'pops on deceleration',
  'none: overhaul': 'no complaint: overhaul',
  'no top end': 'no power wide open',
  'after lay-up': 'after storage',
  everywhere: 'at any opening',
  middle: 'mid throttle',
}

/** A symptom, throttle position or moment of the log in the words of the shop. */
export const symptomWords = (code: string): string => SAID[code] ?? code

/** A complaint in one line: as the customer said it, else its symptom. */
export const complaintWords = ({ words, symptom }: { words: string; symptom: string }): string =>
  words || symptomWords(symptom)
