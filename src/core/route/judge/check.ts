import { eventIndexAt, barAt, beatTicks, type Change } from '../../chart';
import { searchBy, share } from '../../kernel';
import type { Notation } from '../../pitch';
import { toneAt, type Chord } from '../../chord';
import { chordAfter, noteVerdict, type Scale, keyOf, nameOver } from '../../harmony';
import { inWindow, windowPlaces } from '../../neck';
import { BEATS, beatWeight } from '../pulse';
import { fixFor } from './fix';
import type {
	Check,
	CheckedChange,
	CheckRequest,
	Fix,
	LandingResult,
	PlayedNote,
	Stray
} from './types';
import { verdictOf } from './verdict';

const { lastAt } = searchBy((note: PlayedNote) => note.tick);

/** Notes that sound at a tick, those struck there first, then the latest. */
function soundingAt(notes: readonly PlayedNote[], tick: number, longest: number): number[] {
	const found: number[] = [];
	for (let i = lastAt(notes, tick); i >= 0 && notes[i]!.tick >= tick - longest; i--) {
		if (notes[i]!.tick === tick || notes[i]!.tick + notes[i]!.durationTicks > tick) found.push(i);
	}
	return found;
}

function checkChange(
	request: CheckRequest,
	change: Change,
	longest: number,
	nameOf: (note: number) => Notation
): CheckedChange {
	const { notes, chart } = request;
	const { chord } = change.to;
	const sounding = soundingAt(notes, change.tick, longest);
	const is = (result: LandingResult, note: number | null, fix: Fix | null): CheckedChange => {
		const tone = note === null ? undefined : toneAt(chord, notes[note]!.midi);
		return {
			index: change.index,
			result,
			note,
			midi: note === null ? null : notes[note]!.midi,
			name: note === null ? null : (tone?.name ?? nameOf(note)),
			role: tone?.role ?? null,
			fix
		};
	};
	const [other] = sounding;
	if (other === undefined) return is('silent', null, null);
	const own = sounding.find((note) => toneAt(chord, notes[note]!.midi));
	if (own !== undefined) return is('landed', own, null);
	const fix = fixFor(request, change, other, nameOf(other));
	const beat = beatTicks(barAt(chart, change.tick).signature);
	for (let i = Math.max(...sounding) + 1; i < notes.length; i++) {
		if (notes[i]!.tick > change.tick + beat) break;
		if (notes[i]!.tick > change.tick && toneAt(chord, notes[i]!.midi)) return is('late', i, fix);
	}
	return is('missed', other, fix);
}

/** A note of a five-note scale may be left by the scale's own step, a third wide, onto a chord tone. */
function stepsInScale(from: number, to: number, scale: Scale | null, chord: Chord | null): boolean {
	if (!scale || !chord || !toneAt(chord, to)) return false;
	const [low, high] = from < to ? [from, to] : [to, from];
	if (high - low > 3) return false;
	const held = (midi: number) => scale.notes.some((note) => note.pc === midi % 12);
	for (let midi = low + 1; midi < high; midi++) if (held(midi)) return false;
	return held(from) && held(to);
}

/** A note is taken up when the next one comes by a step, or by an enclosure; after the last comes the top. */
function resolvedBy(
	notes: readonly PlayedNote[],
	i: number,
	scale: Scale | null,
	chord: Chord | null
): boolean {
	const at = (k: number) => notes[k % notes.length]!;
	const [note, next, after] = [notes[i]!, at(i + 1), at(i + 2)];
	if (next === note) return false;
	const step = Math.abs(next.midi - note.midi);
	if (step === 1 || step === 2) return true;
	if (stepsInScale(note.midi, next.midi, scale, chord)) return true;
	const [a, b] = [note.midi - after.midi, next.midi - after.midi];
	return a * b < 0 && Math.abs(a) <= 2 && Math.abs(b) <= 2;
}

/**
 * Judges any line: every change landed, late, missed or silent, with the smallest fix; notes from outside
 * and clashes, and whether they resolve by a step; notes outside the place. The first change counts.
 */
export function checkLine(asked: CheckRequest): Check {
	const notes = [...asked.notes].sort((a, b) => a.tick - b.tick || a.midi - b.midi);
	const request = { ...asked, notes };
	const { chart, instrument, scales, position } = request;
	const { events } = chart;
	const at = notes.map((note) => Math.max(0, eventIndexAt(chart, note.tick)));
	const key = keyOf(chart);
	const names = new Map<number, Notation>();
	const nameOf = (i: number): Notation => {
		const known = names.get(i);
		if (known !== undefined) return known;
		const event = events[at[i]!];
		const by = { chord: event?.chord ?? null, scale: scales[at[i]!] ?? null, key };
		const name = nameOver(notes[i]!.midi, by, notes[i + 1]?.midi ?? null);
		names.set(i, name);
		return name;
	};
	const longest = notes.reduce((most, note) => Math.max(most, note.durationTicks), 0);
	const changes = chart.changes.map((change) => checkChange(request, change, longest, nameOf));
	const outside: Stray[] = [];
	const clashes: Stray[] = [];
	const exits: number[] = [];
	let [strong, chordTones, leap] = [0, 0, 0];
	notes.forEach((note, i) => {
		const event = events[at[i]!];
		const chord = event && event.startTick <= note.tick ? event.chord : null;
		const tone = chord && toneAt(chord, note.midi);
		const scale = scales[at[i]!] ?? null;
		const degree = scale?.notes.find((entry) => entry.pc === note.midi % 12);
		const stray = () => ({
			note: i,
			tick: note.tick,
			name: nameOf(i),
			resolved: resolvedBy(notes, i, scale, chord)
		});
		if (scale && !degree && !tone) outside.push(stray());
		if (chord && degree && !tone) {
			const next = chordAfter(chart, at[i]!);
			if (noteVerdict(degree.note, chord, next).verdict === 'clash') clashes.push(stray());
		}
		if (position !== null) {
			const { string, fret } = note;
			const inside =
				string !== undefined && fret !== undefined
					? inWindow(instrument, position, { string, fret })
					: windowPlaces(instrument, position).some((place) => place.midi === note.midi);
			if (!inside) exits.push(i);
		}
		const bar = barAt(chart, note.tick);
		if (chord && beatWeight(bar.signature, note.tick - bar.startTick) >= BEATS.middle) {
			strong++;
			if (tone) chordTones++;
		}
		if (i > 0) leap = Math.max(leap, Math.abs(note.midi - notes[i - 1]!.midi));
	});
	const landed = changes.filter((change) => change.result === 'landed').length;
	const made = {
		notes,
		changes,
		outside,
		clashes,
		exits,
		metrics: {
			landedShare: share(landed, changes.length),
			chordToneOnStrongBeatsShare: share(chordTones, strong),
			outsideShare: share(outside.length, notes.length),
			windowExits: exits.length,
			largestLeap: leap
		}
	};
	return { ...made, verdict: verdictOf(made) };
}
