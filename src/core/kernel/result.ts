/**
 * What came of something that can fail: its value, or what is wrong. Errors are values everywhere in the core
 * and in what answers; only what nobody can help is thrown.
 * @example const read = readCell('x-x', 8); // { error: '“x-x” has 3 marks; …' }
 */
export type Result<T, E> = { readonly value: T } | { readonly error: E };
