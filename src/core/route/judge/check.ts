import { eventIndexAt, barAt, beatTicks, type Change } from '../../chart';
import { searchBy, share } from '../../kernel';
import { pitchClass, type Notation } from '../../pitch';
import { toneAt } from '../../chord';
import { chordAfter, noteVerdict, keyOf, nameOver } from '../../harmony';
import { inWindow, windowPlaces } from '../../neck';
import { BEATS, beatWeight } from '../pulse';
import { arrivalOf, isDead } from '../playing';
import { homeAt } from '../beside-tones';
import { colourOver } from '../colour';
import { fixFor } from './fix';
import { goesOnInto } from './ornament';
import { moments, resolvedBy, type Moment } from './resolve';
import type {
	Beside,
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

/** Notes that sound at a tick, those struck there first, the highest of them first, then the latest. */
function soundingAt(notes: readonly PlayedNote[], tick: number, longest: number): number[] {
	const found: number[] = [];
	for (let i = lastAt(notes, tick); i >= 0 && notes[i]!.tick >= tick - longest; i--) {
		if (isDead(notes[i]!)) continue;
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
	const { notes, chart, scales, colours = 'miss', home } = request;
	const { chord } = change.to;
	const sounding = soundingAt(notes, change.tick, longest);
	const pitchOf = (note: number) => arrivalOf(notes[note]!);
	const isHome = (midi: number) => home !== undefined && midi % 12 === pitchClass(home);
	const lands = (note: number) => {
		const midi = pitchOf(note);
		return toneAt(chord, midi) !== undefined || isHome(midi);
	};
	const roleOf = (midi: number) =>
		toneAt(chord, midi)?.role ??
		(home && isHome(midi) ? homeAt(home, change).role : null) ??
		colourOver(chart, scales, change.to.index, midi);
	const told = (note: number): Beside => {
		const midi = pitchOf(note);
		return { midi, name: toneAt(chord, midi)?.name ?? nameOf(note), role: roleOf(midi) };
	};
	/** Every note that is struck at the change, with the note that it comes to there. */
	const struck = sounding
		.filter((note) => notes[note]!.tick === change.tick)
		.map((from) => ({ from, to: goesOnInto(notes, from, chord) }))
		.sort((a, b) => pitchOf(b.to ?? b.from) - pitchOf(a.to ?? a.from));
	const is = (result: LandingResult, note: number | null, fix: Fix | null): CheckedChange => {
		const beside = struck.filter(({ from, to }) => from !== note && to !== note);
		const own = note === null ? null : told(note);
		return {
			index: change.index,
			result,
			note,
			midi: own?.midi ?? null,
			name: own?.name ?? null,
			role: result === 'missed' || result === 'silent' ? null : (own?.role ?? null),
			beside: note === null ? [] : beside.map(({ from, to }) => told(to ?? from)),
			fix
		};
	};
	const [other] = sounding;
	if (other === undefined) return is('silent', null, null);
	const landing = struck.find(({ to }) => to !== null);
	if (landing) return is('landed', landing.to, null);
	const held = sounding.find(lands);
	if (held !== undefined) return is('landed', held, null);
	const leans = sounding.filter(
		(note) => colourOver(chart, scales, change.to.index, pitchOf(note)) !== null
	);
	// The highest of those that are struck there, or the one that was struck last.
	const leaning = struck.map(({ from }) => from).find((note) => leans.includes(note)) ?? leans[0];
	const meant = colours !== 'miss' && leaning !== undefined ? told(leaning).role : null;
	const wrong = struck[0]?.from ?? other;
	const fix = fixFor(request, change, wrong, nameOf(wrong), meant);
	const beat = beatTicks(barAt(chart, change.tick).signature);
	for (let i = Math.max(...sounding) + 1; i < notes.length; i++) {
		if (notes[i]!.tick > change.tick + beat) break;
		if (isDead(notes[i]!) || notes[i]!.tick <= change.tick) continue;
		if (lands(i)) return is('late', i, fix);
	}
	if (meant !== null && leaning !== undefined) return is('leaning', leaning, null);
	return is('missed', wrong, fix);
}

/** The hand reaches a note: its fret, whatever it is bent to, or some place of its pitch. */
const isInside = (
	{ instrument }: CheckRequest,
	position: number,
	{ string, fret, midi }: PlayedNote
): boolean =>
	string !== undefined && fret !== undefined
		? inWindow(instrument, position, { string, fret })
		: windowPlaces(instrument, position).some((place) => place.midi === midi);

const topOf = (notes: readonly PlayedNote[], moment: Moment): number =>
	arrivalOf(notes[moment.notes[0]!]!);

/**
 * Judges any line, of one note at a time or of several: every change landed, leaning, late, missed or silent, with the
 * smallest fix; notes from outside and clashes, and whether they resolve by a step; notes outside the place. The first
 * change counts. What slides, is hammered, pulled or bent into a chord tone within an eighth lands; muted strings say
 * nothing.
 */
export function checkLine(asked: CheckRequest): Check {
	const notes = [...asked.notes].sort((a, b) => a.tick - b.tick || a.midi - b.midi);
	const request = { ...asked, notes };
	const { chart, scales, position } = request;
	const { events } = chart;
	const at = notes.map((note) => Math.max(0, eventIndexAt(chart, note.tick)));
	const key = keyOf(chart);
	const moment = moments(notes);
	const names = new Map<number, Notation>();
	const nameOf = (i: number): Notation => {
		const known = names.get(i);
		if (known !== undefined) return known;
		const event = events[at[i]!];
		const by = { chord: event?.chord ?? null, scale: scales[at[i]!] ?? null, key };
		const after = moment.of(i).after?.[0];
		const name = nameOver(
			arrivalOf(notes[i]!),
			by,
			after === undefined ? null : notes[after]!.midi
		);
		names.set(i, name);
		return name;
	};
	const longest = notes.reduce((most, note) => Math.max(most, note.durationTicks), 0);
	const changes = chart.changes.map((change) => checkChange(request, change, longest, nameOf));
	// What comes to rest on a tone of its change is heard as that tone.
	const resting = new Set(
		chart.changes.flatMap(({ index, tick, to }) =>
			changes[index]?.result === 'landed'
				? soundingAt(notes, tick, 0).filter((note) => goesOnInto(notes, note, to.chord) !== null)
				: []
		)
	);
	const outside: Stray[] = [];
	const clashes: Stray[] = [];
	const exits: number[] = [];
	let [strong, chordTones, leap] = [0, 0, 0];
	let top: Moment | null = null;
	notes.forEach((note, i) => {
		if (isDead(note)) return;
		const midi = arrivalOf(note);
		const event = events[at[i]!];
		const chord = event && event.startTick <= note.tick ? event.chord : null;
		const tone = resting.has(i) || (chord && toneAt(chord, midi));
		const scale = scales[at[i]!] ?? null;
		const degree = scale?.notes.find((entry) => entry.pc === midi % 12);
		const stray = () => ({
			note: i,
			tick: note.tick,
			name: nameOf(i),
			resolved: resolvedBy(notes, i, moment, { scale, chord })
		});
		if (scale && !degree && !tone) outside.push(stray());
		if (chord && degree && !tone) {
			const next = chordAfter(chart, at[i]!);
			if (noteVerdict(degree.note, chord, next).verdict === 'clash') clashes.push(stray());
		}
		if (position !== null && !isInside(request, position, note)) exits.push(i);
		const bar = barAt(chart, note.tick);
		if (chord && beatWeight(bar.signature, note.tick - bar.startTick) >= BEATS.middle) {
			strong++;
			if (tone) chordTones++;
		}
		const here = moment.of(i);
		if (top && here.tick > top.tick) {
			leap = Math.max(leap, Math.abs(arrivalOf(notes[here.notes[0]!]!) - topOf(notes, top)));
		}
		top = here;
	});
	const counts = request.colours === 'land' ? ['landed', 'leaning'] : ['landed'];
	const landed = changes.filter((change) => counts.includes(change.result)).length;
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
