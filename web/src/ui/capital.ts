/** With a capital at its beginning, as a heading or a sentence has. */
export const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());
