import type { Technique } from '../../route';
import { Bends, DRUMS, fromBytes, type Timed } from './events';

/** A pitch that sounds: ticks of 480 to the quarter, and how it was reached. */
type Sounded = {
	readonly from: number;
	readonly to: number;
	readonly midi: number;
	readonly technique: Technique | null;
};

/** A key as it was struck, with the pitches that its bends reach: one where it stays. */
type Note = {
	readonly from: number;
	/** The key; the pitch may begin elsewhere. */
	readonly midi: number;
	readonly parts: readonly Sounded[];
};

/**
 * What one channel of one track plays, or all channels of a track that has one for each string; `under` were struck
 * together with a higher one.
 */
export type Voice = {
	readonly name: string;
	readonly channel: number;
	readonly notes: readonly Note[];
	readonly under: number;
	/** Some notes sound at once. */
	readonly several: boolean;
};

/** A key may be let go so many ticks after the next is struck. */
const LATE = 60;

type Level = { readonly tick: number; readonly cents: number };
type Struck = {
	readonly from: number;
	readonly midi: number;
	to: number;
	readonly levels: Level[];
};

/** A bend has arrived where it stays so near a semitone, for so many ticks. */
const NEAR = 12;
const STAYS = 40;
/** Larger moves are slid, not bent. */
const MOST_BENT = 3;

/** The pitches of a note, cut where its bends arrive. */
function partsOf({ from, to, midi, levels }: Struck): Sounded[] {
	const parts: Sounded[] = [];
	let current: Sounded = { from, to, midi, technique: null };
	let moving = false;
	levels.forEach(({ tick, cents }, i) => {
		const semitones = Math.round(cents / 100);
		const until = levels[i + 1]?.tick ?? to;
		const near = Math.abs(cents - 100 * semitones) <= NEAR;
		const pitch = midi + semitones;
		if (pitch === current.midi) {
			if (near) moving = false;
			return;
		}
		if (!near || until - tick < Math.min(STAYS, (to - from) / 4)) {
			moving = true;
			return;
		}
		const by = pitch - current.midi;
		const technique: Technique = !moving
			? by > 0
				? 'hammer-on'
				: 'pull-off'
			: by > 0 && by <= MOST_BENT
				? 'bend'
				: 'slide';
		moving = false;
		if (tick > current.from) parts.push({ ...current, to: tick });
		current = { from: tick, to, midi: pitch, technique: parts.length > 0 ? technique : null };
	});
	return [...parts, current];
}

/** How many notes of a voice are struck under a higher one, and whether any two sound at once. */
function countUnder(struck: readonly Struck[]): { under: number; several: boolean } {
	let [under, several] = [0, false];
	const sorted = [...struck].sort((a, b) => a.from - b.from || b.midi - a.midi);
	sorted.forEach((note, i) => {
		const before = sorted[i - 1];
		if (before?.from === note.from) under += 1;
		// Keys that are let go a little late are still one after the other.
		if (before && before.to > note.from + LATE) several = true;
	});
	return { under, several };
}

/**
 * What every channel of every track plays, in ticks of 480 to the quarter. In a file of several tracks the channels of
 * one, but for drums, are the strings of one player.
 * @param scale such ticks to one of the file's
 * @param format 0 where all players share one track
 */
export function voicesOf(events: readonly Timed[], scale: number, format: number): Voice[] {
	const names = new Map<number, string>();
	const found = new Map<string, { track: number; channel: number; struck: Struck[] }>();
	const open = new Map<string, Struck & { channel: number }>();
	const bends = new Bends();
	let last = 0;
	const close = (key: string, tick: number) => {
		const note = open.get(key);
		if (note) note.to = Math.max(note.from + 1, tick);
		open.delete(key);
	};
	for (const { tick: at, track, event } of events) {
		const tick = Math.round(at * scale);
		last = Math.max(last, tick);
		if (event.type === 'trackName') names.set(track, fromBytes(event.text).trim());
		if (bends.take(event) && event.type === 'pitchBend') {
			const cents = bends.cents(event.channel);
			for (const note of open.values()) {
				if (note.channel === event.channel) note.levels.push({ tick, cents });
			}
		}
		if (event.type !== 'noteOn' && event.type !== 'noteOff') continue;
		const { channel, noteNumber } = event;
		const voice = format === 0 || channel === DRUMS ? `${track} ${channel}` : `${track}`;
		const key = `${track} ${channel} ${noteNumber}`;
		close(key, tick);
		if (event.type === 'noteOff' || event.velocity === 0) continue;
		const entry = found.get(voice) ?? { track, channel, struck: [] };
		found.set(voice, entry);
		const levels = [{ tick, cents: bends.cents(channel) }];
		const note = { from: tick, to: tick + 1, midi: noteNumber, levels, channel };
		open.set(key, note);
		entry.struck.push(note);
	}
	for (const key of [...open.keys()]) close(key, last);
	return [...found.values()].map(({ track, channel, struck }) => ({
		name: names.get(track) || `Track ${track + 1}`,
		channel,
		notes: [...struck]
			.sort((a, b) => a.from - b.from || a.midi - b.midi)
			.map((note) => ({ from: note.from, midi: note.midi, parts: partsOf(note) })),
		...countUnder(struck)
	}));
}
