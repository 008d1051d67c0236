declare const written: unique symbol;

/**
 * ASCII text that consists of note names, degrees, roles, numerals or chord symbols alone: every `b` in
 * it is a flat and every `#` a sharp. Words are plain strings, so no letter of theirs is taken for a sign.
 */
export type Notation = string & { readonly [written]: true };

/**
 * Says that a text is notation, where it comes from a table or from the outside as text.
 * @example notation('b7')
 */
export const notation = (text: string): Notation => text as Notation;
