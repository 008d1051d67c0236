import type { CurvePoint, Part, TimedNote } from '$core/band';
import type { Bank } from './bank';
import { DESK, faderGain, panGains, soften, type Faders } from './desk';
import { room } from './room';
import { gainOf, layerOf, RELEASE, renderVoice, voiceOf, type Voice } from './voices';

/** Notes on a clock that begins at 0, and how they are to sound. */
export type MixRequest = {
	readonly notes: readonly TimedNote[];
	readonly seconds: number;
	readonly rate: number;
	readonly chords: 'guitar' | 'keys';
	readonly faders: Faders;
};

/** Keeps the notes that are rendered once, so that each sounds the same every time. */
function voiceCache(bank: Bank, rate: number) {
	const known = new Map<string, Float32Array<ArrayBuffer>>();
	return (voice: Voice, midi: number, layer: number): Float32Array<ArrayBuffer> => {
		const key = `${voice} ${midi} ${layer}`;
		const held = known.get(key);
		if (held) return held;
		const samples = renderVoice(bank, voice, midi, layer, rate);
		known.set(key, samples);
		return samples;
	};
}

/** Cents at a moment of a pitch curve; `from` is where to start looking and is moved along. */
function centsAt(curve: readonly CurvePoint[], seconds: number, from: number): [number, number] {
	let i = from;
	while (i + 1 < curve.length && curve[i + 1][0] <= seconds) i++;
	const [t, cents] = curve[i];
	const next = curve[i + 1];
	if (!next || seconds <= t) return [cents, i];
	return [cents + ((next[1] - cents) * (seconds - t)) / (next[0] - t), i];
}

/** Adds one note to a track. */
function addNote(
	track: Float32Array,
	note: TimedNote,
	samples: Float32Array,
	voice: Voice,
	rate: number
): void {
	const start = note.seconds * rate;
	const gain = gainOf(note.velocity);
	const release = RELEASE[voice];
	const ends = release === Infinity ? Infinity : note.duration;
	const first = Math.max(0, Math.ceil(start));
	const length = release === Infinity ? Infinity : (note.duration + release) * rate;
	let position = first - start;
	let segment = 0;
	for (let n = first; n < track.length && n - start < length; n++) {
		const i = Math.floor(position);
		if (i + 1 >= samples.length) break;
		const t = (n - start) / rate;
		const held = t <= ends ? 1 : Math.max(0, 1 - (t - ends) / release);
		const x = position - i;
		track[n] += gain * held * (samples[i] + x * (samples[i + 1] - samples[i]));
		let step = 1;
		if (note.curve.length > 0) {
			const [cents, found] = centsAt(note.curve, t, segment);
			segment = found;
			step = 2 ** (cents / 1200);
		}
		position += step;
	}
}

/** Samples that are worked on at once, between two words of progress. */
const BLOCK_SECONDS = 10;

/** Where a mix is: the share that is done, and in the end the two sides. */
export type MixStep = { readonly share: number; readonly sides: readonly Float32Array[] | null };

/**
 * Mixes notes down to left and right, a block at a time, so that the caller can say how far it is and stop.
 * The same voices, desk and room as when the band plays live.
 */
export function* mix(bank: Bank, request: MixRequest): Generator<MixStep> {
	const { rate, seconds, faders, chords } = request;
	const cached = voiceCache(bank, rate);
	const length = Math.round(seconds * rate);
	const sides = [new Float32Array(length), new Float32Array(length)];
	const send = new Float32Array(length);
	const parts = [...new Set(request.notes.map((note) => note.part))];
	for (const [p, part] of parts.entries()) {
		const gain = faderGain(faders, part);
		if (gain === 0) continue;
		const notes = request.notes.filter((note) => note.part === part);
		const track = new Float32Array(length);
		for (const [i, note] of notes.entries()) {
			const voice = voiceOf(part, chords);
			addNote(track, note, cached(voice, note.midi, layerOf(note.velocity)), voice, rate);
			if (i % 256 === 255) {
				yield { share: (0.7 * (p + i / notes.length)) / parts.length, sides: null };
			}
		}
		mixIn(track, part, gain, sides, send);
		yield { share: (0.7 * (p + 1)) / parts.length, sides: null };
	}
	const answer = room(rate);
	const out = new Float32Array(2);
	const block = BLOCK_SECONDS * rate;
	for (let n = 0; n < length; n++) {
		answer(send[n], out);
		sides[0][n] = soften(sides[0][n] + out[0]);
		sides[1][n] = soften(sides[1][n] + out[1]);
		if (n % block === block - 1) yield { share: 0.7 + (0.3 * n) / length, sides: null };
	}
	yield { share: 1, sides };
}

function mixIn(
	track: Float32Array,
	part: Part,
	gain: number,
	sides: readonly Float32Array[],
	send: Float32Array
): void {
	const [left, right] = panGains(DESK[part].pan);
	for (let n = 0; n < track.length; n++) {
		const sample = gain * track[n];
		if (sample === 0) continue;
		sides[0][n] += left * sample;
		sides[1][n] += right * sample;
		send[n] += DESK[part].room * sample;
	}
}

/** Mixes to the end without a pause. */
export function mixDown(bank: Bank, request: MixRequest): readonly Float32Array[] {
	for (const step of mix(bank, request)) if (step.sides) return step.sides;
	return [];
}
