/** Bytes of the header that this file writes. */
const HEADER = 44;

/**
 * A WAV file of 16 bits a sample (RIFF, PCM). Samples beyond −1 … 1 are cut there.
 * @param sides one array a channel, all of one length; @param rate samples a second
 */
export function writeWav(sides: readonly Float32Array[], rate: number): Uint8Array<ArrayBuffer> {
	const channels = sides.length;
	const frames = sides[0]?.length ?? 0;
	const size = frames * channels * 2;
	const bytes = new Uint8Array(HEADER + size);
	const view = new DataView(bytes.buffer);
	const text = (at: number, letters: string) =>
		[...letters].forEach((letter, i) => view.setUint8(at + i, letter.charCodeAt(0)));
	text(0, 'RIFF');
	view.setUint32(4, HEADER - 8 + size, true);
	text(8, 'WAVEfmt ');
	view.setUint32(16, 16, true);
	view.setUint16(20, 1, true);
	view.setUint16(22, channels, true);
	view.setUint32(24, rate, true);
	view.setUint32(28, rate * channels * 2, true);
	view.setUint16(32, channels * 2, true);
	view.setUint16(34, 16, true);
	text(36, 'data');
	view.setUint32(40, size, true);
	let at = HEADER;
	for (let n = 0; n < frames; n++) {
		for (const side of sides) {
			const sample = Math.max(-1, Math.min(1, side[n]!));
			view.setInt16(at, Math.round(sample * 32767), true);
			at += 2;
		}
	}
	return bytes;
}
