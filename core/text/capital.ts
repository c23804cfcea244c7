/** Words with a capital at their start, as a line of its own begins. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
