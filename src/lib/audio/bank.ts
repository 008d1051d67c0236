/** A sample of the bank and how it is played; written by `scripts/sounds.mjs`. */
export type Zone = {
	readonly low: number;
	readonly high: number;
	readonly start: number;
	readonly length: number;
	readonly rate: number;
	/** Pitch at which the samples play unchanged, in semitones. */
	readonly root: number;
	readonly loop: readonly [from: number, to: number] | null;
	readonly gain: number;
	/** Seconds until it begins to fall, and in which it falls by 100 dB; dB at which it stays. */
	readonly hold: number;
	readonly decay: number;
	readonly sustain: number;
	readonly release: number;
};

type BankVoice = 'bass' | 'guitar' | 'keys' | 'drums';

/** The sampled sounds of the band. */
export type Bank = {
	readonly zones: Record<BankVoice, readonly Zone[]>;
	readonly samples: Int16Array;
};

/** Makes a bank out of its two files. */
export const bankOf = (zones: unknown, samples: ArrayBuffer): Bank => ({
	zones: zones as Bank['zones'],
	samples: new Int16Array(samples)
});

/** Fetches the sounds that ship with the app. Throws when they do not come. */
export async function fetchBank(): Promise<Bank> {
	const [zones, samples] = await Promise.all([
		fetch('/sounds/band.json').then((answer) => (answer.ok ? answer.json() : null)),
		fetch('/sounds/band.bin').then((answer) => (answer.ok ? answer.arrayBuffer() : null))
	]);
	if (!zones || !samples) throw new Error('The sounds of the band did not load.');
	return bankOf(zones, samples);
}

/** The zone of a pitch; the nearest one where none covers it. */
export function zoneFor(bank: Bank, voice: BankVoice, midi: number): Zone | undefined {
	const zones = bank.zones[voice];
	return (
		zones.find((zone) => midi >= zone.low && midi <= zone.high) ??
		[...zones].sort((a, b) => Math.abs(a.low - midi) - Math.abs(b.low - midi))[0]
	);
}
