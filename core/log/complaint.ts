/** A complaint in one line: as the customer said it, else its symptom. */
export const complaintWords = ({ words, symptom }: { words: string; symptom: string }): string =>
  words || symptom
