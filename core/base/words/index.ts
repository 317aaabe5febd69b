/** Words with their first letter large: how a sentence begins. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** Words with their first letter small: a name within a sentence. */
export const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1)
