// Takes the zones that the band plays out of the sound font inside alphaTab, into static/sounds.
import { copyFileSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';

const { SoundFont2 } = createRequire(import.meta.url)('soundfont2');

const FOLDER = 'node_modules/@coderline/alphatab/dist/soundfont';

/** Presets of bank 0 and the pitches that the band plays on them; percussion keys of the standard kit (the kick and brushes are synthesised). */
const VOICES = {
	bass: { preset: 33, low: 26, high: 52 },
	guitar: { preset: 27, low: 48, high: 74 },
	keys: { preset: 4, low: 48, high: 74 }
};
const DRUMS = [37, 38, 42, 43, 44, 47, 49, 50, 51];

/** Generators of a zone that matter here, by their numbers in the format. */
const GEN = { hold: 35, decay: 36, sustain: 37, release: 38, attenuation: 48 };
const TUNE = { coarse: 51, fine: 52, modes: 54, exclusive: 57, root: 58 };

const seconds = (timecents) => 2 ** (timecents / 1200);

/**
 * The exact pitch of a loop, in semitones: it holds a whole number of periods, the number nearest to what
 * the font says of its pitch. The font's own tuning is off by up to six cents.
 */
function loopPitch([from, to], rate, written) {
	const expected = rate / (440 * 2 ** ((written - 69) / 12));
	const periods = Math.max(1, Math.round((to - from) / expected));
	return 69 + 12 * Math.log2((rate * periods) / (to - from) / 440);
}

/** A zone as the mixer reads it: `start` and `length` in samples of the file of samples. */
function zoneOf(zone, start, pitched) {
	const { sample } = zone;
	const own = zone.generators;
	const shared = zone.instrumentGenerators;
	const value = (id, otherwise) => own[id]?.value ?? shared[id]?.value ?? otherwise;
	const { header } = sample;
	const cents = value(TUNE.coarse, 0) * 100 + value(TUNE.fine, 0) + header.pitchCorrection;
	const written = value(TUNE.root, header.originalPitch) - cents / 100;
	const loops = value(TUNE.modes, 0) === 1;
	const looped = [header.startLoop, header.endLoop];
	return {
		low: zone.keyRange.lo,
		high: zone.keyRange.hi,
		start,
		length: sample.data.length,
		rate: header.sampleRate,
		// The pitch at which the samples play unchanged, in semitones.
		root: loops && pitched ? loopPitch(looped, header.sampleRate, written) : written,
		loop: loops ? looped : null,
		gain: 10 ** (-(value(GEN.attenuation, 0) * 0.4) / 200),
		hold: seconds(value(GEN.hold, -12000)),
		// Seconds in which the sound falls by 100 dB, and to how many dB it falls.
		decay: seconds(value(GEN.decay, -12000)),
		sustain: value(GEN.sustain, 0) / 10,
		release: seconds(value(GEN.release, -12000))
	};
}

function zonesOf(preset, wanted) {
	return preset.zones.flatMap((zone) =>
		zone.instrument.zones
			.filter((inner) => inner.keyRange && wanted(inner.keyRange))
			.map((inner) => ({
				sample: inner.sample,
				keyRange: inner.keyRange,
				generators: inner.generators,
				instrumentGenerators: zone.instrument.globalZone?.generators ?? {}
			}))
	);
}

/** The zones of every voice and the samples that they point into. */
export function readSounds(root) {
	const font = new SoundFont2(readFileSync(join(root, FOLDER, 'sonivox.sf2')));
	const chunks = [];
	const starts = new Map();
	let total = 0;
	const keep = (sample) => {
		const known = starts.get(sample);
		if (known !== undefined) return known;
		const at = total;
		starts.set(sample, at);
		chunks.push(sample.data);
		total += sample.data.length;
		return at;
	};
	const taken = (preset, wanted, pitched) =>
		zonesOf(preset, wanted).map((zone) => zoneOf(zone, keep(zone.sample), pitched));

	const zones = {};
	for (const [name, { preset, low, high }] of Object.entries(VOICES)) {
		zones[name] = taken(
			font.banks[0].presets[preset],
			({ lo, hi }) => hi >= low && lo <= high,
			true
		);
	}
	zones.drums = taken(
		font.banks[128].presets[0],
		({ lo, hi }) => lo === hi && DRUMS.includes(lo),
		false
	);

	const samples = new Int16Array(total);
	let at = 0;
	for (const chunk of chunks) {
		samples.set(chunk, at);
		at += chunk.length;
	}
	return { zones, samples };
}

export function buildSounds(root) {
	const out = join(root, 'static', 'sounds');
	mkdirSync(out, { recursive: true });
	const { zones, samples } = readSounds(root);
	writeFileSync(join(out, 'band.bin'), Buffer.from(samples.buffer));
	writeFileSync(join(out, 'band.json'), JSON.stringify(zones));
	copyFileSync(join(root, FOLDER, 'LICENSE'), join(out, 'LICENSE.txt'));
}
