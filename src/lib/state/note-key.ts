/** A note of a line: no two have the same moment and string. */
export type Struck = { readonly tick: number; readonly string: number };

/** One number for a note of a line, by which it is picked and found again. */
export const noteKey = ({ tick, string }: Struck): number => 8 * tick + string - 1;

/** The moment of a note by its number. */
export const tickOfKey = (key: number): number => Math.floor(key / 8);
