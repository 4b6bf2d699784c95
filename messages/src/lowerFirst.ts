/** A name within a sentence: its first letter small, but for such as begin with a row of capitals. */
export const lowerFirst = (name: string): string =>
  name.replace(/^[A-Z](?=[a-z ])/, (letter) => letter.toLowerCase());
