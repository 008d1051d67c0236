import type { Technique } from '../../route';
import { Bends, fromBytes, type Timed } from './events';

/** A pitch that sounds: ticks of 480 to the quarter, and how it was reached. */
export type Sounded = {
	readonly from: number;
	readonly to: number;
	readonly midi: number;
	readonly technique: Technique | null;
};

/** A key as it was struck, with the pitches that its bends reach: one where it stays. */
type Note = { readonly parts: readonly Sounded[] };

/** What one channel of one track plays, one note at a time; `under` were struck together with a higher one. */
export type Voice = {
	readonly name: string;
	readonly channel: number;
	readonly notes: readonly Note[];
	readonly under: number;
};

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

/** The notes of a voice, one at a time: of several struck together the highest. */
function oneAtATime(struck: readonly Struck[]): { notes: Note[]; under: number } {
	const sorted = [...struck].sort((a, b) => a.from - b.from || b.midi - a.midi);
	const chosen: Struck[] = [];
	let under = 0;
	for (const note of sorted) {
		const before = chosen.at(-1);
		if (before?.from === note.from) {
			under += 1;
			continue;
		}
		if (before && before.to > note.from) before.to = note.from;
		chosen.push({ ...note });
	}
	return { notes: chosen.map((note) => ({ parts: partsOf(note) })), under };
}

/**
 * What every channel of every track plays, in ticks of 480 to the quarter.
 * @param scale such ticks to one of the file's
 */
export function voicesOf(events: readonly Timed[], scale: number): Voice[] {
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
		const voice = `${track} ${channel}`;
		const key = `${voice} ${noteNumber}`;
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
		...oneAtATime(struck)
	}));
}
