import { DRUMS, type Part } from '$core/band';
import { zoneFor, type Bank, type Zone } from './bank';
import { highPass, lowPass } from './filter';
import { frequencyOf, noise, pluckString } from './string';

/** What sounds: the sampled voices, the driven string of the line, drums, the click. */
export type Voice = 'drums' | 'bass' | 'guitar' | 'keys' | 'line' | 'click';

/** Which voice plays a part; the chord player has two. */
export const voiceOf = (part: Part, chords: 'guitar' | 'keys'): Voice =>
	part === 'chords' ? chords : part;

/** Loudness comes in three layers of tone: soft, plain, hard. */
export const layerOf = (velocity: number): number =>
	velocity < 0.42 ? 0 : velocity < 0.68 ? 1 : 2;

/** Gain of a velocity inside its layer's tone. */
export const gainOf = (velocity: number): number => velocity ** 1.5;

/** Seconds in which a note dies once it is let go; drums and the click ring out. */
export const RELEASE: Record<Voice, number> = {
	drums: Infinity,
	click: Infinity,
	bass: 0.07,
	guitar: 0.09,
	keys: 0.16,
	line: 0.06
};

/** How long a note of a voice can sound at most, in seconds. */
const SECONDS: Record<Exclude<Voice, 'drums' | 'click'>, number> = {
	bass: 3.2,
	guitar: 3.2,
	keys: 4.2,
	line: 5.5
};

/** The brightness of a sampled pluck: where its cutoff starts and ends, in partials, and how fast it falls. */
type Tone = {
	readonly from: readonly number[];
	readonly to: number;
	readonly tau: number;
	readonly top: number;
};
const TONES: Record<'bass' | 'guitar' | 'keys', Tone> = {
	bass: { from: [14, 22, 34], to: 6, tau: 0.3, top: 3400 },
	guitar: { from: [14, 22, 34], to: 7, tau: 0.4, top: 6500 },
	keys: { from: [12, 20, 32], to: 8, tau: 0.6, top: 7500 }
};

/** Peak of one note: strummed strings are short and four at once, keys ring. */
const PEAKS = { bass: 0.8, guitar: 0.95, keys: 0.62 } as const;

/** Reads a zone at another pitch with cubic interpolation, its loop run through, its own decay applied. */
function playZone(bank: Bank, zone: Zone, midi: number, rate: number, seconds: number) {
	const out = new Float32Array(Math.round(seconds * rate));
	const { samples } = bank;
	const step = (zone.rate / rate) * 2 ** ((midi - zone.root) / 12);
	const [loopFrom, loopTo] = zone.loop ?? [0, 0];
	const span = loopTo - loopFrom;
	const at = (index: number): number => {
		let i = index;
		if (zone.loop && i >= loopTo) i = loopFrom + ((i - loopFrom) % span);
		return i >= 0 && i < zone.length ? samples[zone.start + i] / 32768 : 0;
	};
	const perSecond = 10 ** (-100 / 20 / zone.decay);
	const floor = 10 ** (-zone.sustain / 20);
	let position = 0;
	for (let n = 0; n < out.length; n++) {
		if (!zone.loop && position >= zone.length) break;
		const i = Math.floor(position);
		const x = position - i;
		const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
		const value =
			b + 0.5 * x * (c - a + x * (2 * a - 5 * b + 4 * c - d + x * (3 * (b - c) + d - a)));
		const fallen = Math.max(floor, perSecond ** Math.max(0, n / rate - zone.hold));
		out[n] = value * fallen * zone.gain;
		position += step;
	}
	return out;
}

/** Ends a buffer without a click and brings its peak to a level. */
function finish(samples: Float32Array<ArrayBuffer>, rate: number, peakAt: number) {
	let peak = 1e-6;
	for (const sample of samples) peak = Math.max(peak, Math.abs(sample));
	const fade = Math.min(samples.length, Math.round(0.2 * rate));
	for (let i = 0; i < samples.length; i++) {
		samples[i] *= (peakAt / peak) * Math.min(1, (samples.length - 1 - i) / fade, (i + 1) / 12);
	}
	return samples;
}

function sampled(
	bank: Bank,
	voice: 'bass' | 'guitar' | 'keys',
	midi: number,
	layer: number,
	rate: number
) {
	const zone = zoneFor(bank, voice, midi);
	if (!zone) return new Float32Array(1);
	const out = playZone(bank, zone, midi, rate, SECONDS[voice]);
	const tone = TONES[voice];
	const filter = lowPass(rate);
	const base = frequencyOf(midi);
	for (let n = 0; n < out.length; n++) {
		const open = Math.exp(-n / rate / tone.tau);
		const partials = tone.to + (tone.from[layer] - tone.to) * open;
		out[n] = filter(out[n], Math.min(tone.top, base * partials));
	}
	if (voice === 'keys') strikeTines(out, base, layer, rate);
	return finish(out, rate, PEAKS[voice]);
}

/** The bell in the attack of an electric piano, and its bark when it is struck harder. */
function strikeTines(out: Float32Array, frequency: number, layer: number, rate: number): void {
	let peak = 1e-6;
	for (const sample of out) peak = Math.max(peak, Math.abs(sample));
	const bark = [0.8, 1.4, 2.1][layer];
	const bell = [0.05, 0.09, 0.14][layer];
	const step = (2 * Math.PI * 4 * frequency) / rate;
	for (let n = 0; n < out.length; n++) {
		const struck = bell * Math.sin(n * step) * Math.exp(-n / rate / 0.22);
		out[n] = Math.tanh((bark * out[n]) / peak + 0.12) - Math.tanh(0.12) + struck;
	}
}

/** The guitar of the line: a string into a warm, slightly driven amplifier. */
function driven(midi: number, layer: number, rate: number) {
	const out = pluckString(midi, rate, {
		seconds: SECONDS.line,
		fade: 0.4,
		left: 0.34,
		soft: [0.42, 0.34, 0.26][layer],
		pickAt: 0.17
	});
	const drive = [2.2, 3, 4][layer];
	const cabinet = lowPass(rate);
	const second = lowPass(rate);
	const rumble = highPass(rate, 95);
	for (let n = 0; n < out.length; n++) {
		// Slightly uneven, as a valve is: even partials warm the tone.
		const x = drive * out[n];
		out[n] = second(cabinet(Math.tanh(x + 0.18) - Math.tanh(0.18), 3900), 5200);
		out[n] = rumble(out[n]);
	}
	return finish(out, rate, 0.72);
}

/** A drum head: a falling pitch under a short knock. */
function kick(rate: number, layer: number) {
	const out = new Float32Array(Math.round(0.34 * rate));
	const random = noise(97);
	let phase = 0;
	for (let n = 0; n < out.length; n++) {
		const t = n / rate;
		phase += (2 * Math.PI * (48 + 92 * Math.exp(-t / 0.028))) / rate;
		const knock = random() * Math.exp(-t / 0.004) * [0.08, 0.16, 0.26][layer];
		out[n] = Math.sin(phase) * Math.exp(-t / 0.12) + knock;
	}
	return finish(out, rate, 0.66);
}

/** A brush over the skin: noise that swells and fades. */
function swirl(rate: number) {
	const out = new Float32Array(Math.round(0.42 * rate));
	const random = noise(53);
	const filter = lowPass(rate);
	const thin = highPass(rate, 1400);
	for (let n = 0; n < out.length; n++) {
		const t = n / rate;
		const swell = Math.min(1, t / 0.006) * (0.5 + 0.5 * Math.sin(Math.min(1, t / 0.3) * Math.PI));
		out[n] = thin(filter(random(), 5600)) * swell * Math.exp(-t / 0.22);
	}
	return finish(out, rate, 0.5);
}

/** A wooden tick at a pitch. */
function tick(midi: number, rate: number) {
	const out = new Float32Array(Math.round(0.06 * rate));
	const step = (2 * Math.PI * frequencyOf(midi)) / rate;
	for (let n = 0; n < out.length; n++) {
		const t = n / rate;
		out[n] =
			(Math.sin(n * step) + 0.4 * Math.sin(2.76 * n * step)) *
			Math.min(1, (n + 1) / 8) *
			Math.exp(-t / 0.011);
	}
	return finish(out, rate, 0.8);
}

/** What a stroke on a drum reaches at full velocity, against the others. */
const DRUM_PEAKS: Record<number, number> = {
	[DRUMS.snare]: 0.92,
	[DRUMS.rim]: 0.6,
	[DRUMS.hat]: 0.46,
	[DRUMS.pedal]: 0.42,
	[DRUMS.ride]: 0.68,
	[DRUMS.crash]: 0.5
};
/** Seconds that a stroke rings at most. */
const DRUM_SECONDS: Record<number, number> = {
	[DRUMS.hat]: 0.22,
	[DRUMS.pedal]: 0.1,
	[DRUMS.ride]: 1.6,
	[DRUMS.crash]: 2.2
};

function drum(bank: Bank, midi: number, layer: number, rate: number) {
	if (midi === DRUMS.kick) return kick(rate, layer);
	if (midi === DRUMS.swirl) return swirl(rate);
	const zone = zoneFor(bank, 'drums', midi);
	if (!zone) return new Float32Array(1);
	const out = playZone(bank, zone, midi, rate, DRUM_SECONDS[midi] ?? 0.6);
	if (layer < 2) {
		const filter = lowPass(rate);
		for (let n = 0; n < out.length; n++) out[n] = filter(out[n], [4200, 6800][layer]);
	}
	return finish(out, rate, DRUM_PEAKS[midi] ?? 0.7);
}

/**
 * One note of a voice, dry, with its onset at the first sample; mono.
 * @param layer 0 soft … 2 hard; @param rate samples a second
 */
export function renderVoice(
	bank: Bank,
	voice: Voice,
	midi: number,
	layer: number,
	rate: number
): Float32Array<ArrayBuffer> {
	if (voice === 'drums') return drum(bank, midi, layer, rate);
	if (voice === 'click') return tick(midi, rate);
	if (voice === 'line') return driven(midi, layer, rate);
	return sampled(bank, voice, midi, layer, rate);
}
