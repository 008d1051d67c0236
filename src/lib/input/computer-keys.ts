/** Rows of the computer's keys by where they lie, whatever is printed on them: lowest octave first. */
const ROWS: readonly (readonly string[])[] = [
	['KeyZ', 'KeyX', 'KeyC', 'KeyV', 'KeyB', 'KeyN', 'KeyM', 'Comma'],
	['KeyA', 'KeyS', 'KeyD', 'KeyF', 'KeyG', 'KeyH', 'KeyJ', 'KeyK'],
	['KeyQ', 'KeyW', 'KeyE', 'KeyR', 'KeyT', 'KeyY', 'KeyU', 'KeyI']
];

/**
 * The pitch that a key of the computer plays, as a MIDI number: one scale note a key, one octave a row;
 * with Shift a semitone higher. Null for keys that play nothing.
 * @param code `KeyboardEvent.code`
 * @param rows pitches of the rows, lowest octave first
 */
export function keyPitch(
	code: string,
	shift: boolean,
	rows: readonly (readonly number[])[]
): number | null {
	const row = ROWS.findIndex((keys) => keys.includes(code));
	const midi = rows[row]?.[ROWS[row].indexOf(code)];
	return midi === undefined ? null : midi + (shift ? 1 : 0);
}
