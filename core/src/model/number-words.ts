/** Whole numbers from none to twelve, as they are written out. */
export const NUMBER_WORDS: readonly string[] = [
  ...['no', 'one', 'two', 'three', 'four', 'five', 'six'],
  ...['seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
];
