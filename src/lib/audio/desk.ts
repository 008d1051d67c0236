import type { Part } from '$core/band';

/** How loud a part is, where it stands between left (−1) and right (1), and how much of it the room gets. */
export type Channel = { readonly gain: number; readonly pan: number; readonly room: number };

/** The desk as it is set before the player touches it. */
export const DESK: Record<Part, Channel> = {
	drums: { gain: 1.0, pan: 0.04, room: 0.16 },
	bass: { gain: 0.4, pan: 0, room: 0.03 },
	chords: { gain: 0.56, pan: -0.34, room: 0.24 },
	line: { gain: 0.6, pan: 0.16, room: 0.26 },
	click: { gain: 0.42, pan: 0, room: 0 }
};

/** What the player sets for a part: a level of 0 … 1 (0.8 is the desk's own), and whether it is heard. */
export type Fader = { readonly level: number; readonly muted: boolean; readonly solo: boolean };
export type Faders = Record<Part, Fader>;

const OWN_LEVEL = 0.8;

/** The gain of a part under the player's faders: a solo silences all parts without one. */
export function faderGain(faders: Faders, part: Part): number {
	const anySolo = Object.values(faders).some((fader) => fader.solo);
	const { level, muted, solo } = faders[part];
	// The click is there to hold on to: another part's solo leaves it.
	const heard = !muted && (!anySolo || solo || part === 'click');
	return heard ? DESK[part].gain * (level / OWN_LEVEL) ** 2 : 0;
}

/** Equal power to both sides. */
export function panGains(pan: number): [left: number, right: number] {
	const angle = ((pan + 1) * Math.PI) / 4;
	return [Math.cos(angle) * Math.SQRT2, Math.sin(angle) * Math.SQRT2];
}

/** Above this the mix bends softly instead of breaking. */
const KNEE = 0.7;

/** The last step of the mix: peaks never pass 1. */
export function soften(sample: number): number {
	const size = Math.abs(sample);
	if (size <= KNEE) return sample;
	return Math.sign(sample) * (KNEE + (1 - KNEE) * Math.tanh((size - KNEE) / (1 - KNEE)));
}
