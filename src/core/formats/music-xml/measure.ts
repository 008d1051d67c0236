import { QUARTER, tempoWithin } from '../../kernel';
import { type TimeSignature } from '../../chart';
import type { LeftOut } from '../piece';
import { signatureOf } from '../signature';
import { symbolOf } from './harmony';
import { type PartState, midiOf } from './part';
import { rawNote, type RawNote } from './raw-note';
import { all, child, numberAt, textAt, type XmlNode } from './xml';

function readTime(time: XmlNode, state: PartState, left: LeftOut): void {
	const beats = textAt(time, 'beats')
		.split('+')
		.reduce((sum, part) => sum + Number(part), 0);
	const found = signatureOf(beats, numberAt(time, 'beat-type') ?? 4);
	if (found) state.signature = found;
	else
		left.say(
			`A time signature is left out: ${textAt(time, 'beats')}/${textAt(time, 'beat-type')}.`
		);
}

function readTuning(details: XmlNode, state: PartState): void {
	for (const line of all(details, 'staff-tuning')) {
		const midi = midiOf(
			textAt(line, 'tuning-step'),
			numberAt(line, 'tuning-alter'),
			numberAt(line, 'tuning-octave')
		);
		const number = Number(line.attributes.line);
		if (midi !== null && Number.isInteger(number)) state.tuning.set(number, midi);
	}
	const capo = numberAt(details, 'capo');
	if (capo !== null && Number.isInteger(capo) && capo >= 0 && capo <= 12) state.capo = capo;
}

function readAttributes(node: XmlNode, state: PartState, left: LeftOut): void {
	const divisions = numberAt(node, 'divisions');
	if (divisions !== null && divisions > 0) state.divisions = divisions;
	const fifths = numberAt(node, 'key', 'fifths');
	if (fifths !== null) {
		if (state.fifths === null) {
			state.fifths = fifths;
			state.mode = textAt(node, 'key', 'mode').toLowerCase() || 'major';
		} else if (fifths !== state.fifths) left.say('A change of key signature is left out.');
	}
	const time = child(node, 'time');
	if (time) readTime(time, state, left);
	for (const details of all(node, 'staff-details')) readTuning(details, state);
	const transpose = child(node, 'transpose');
	if (transpose) {
		const octaves = numberAt(transpose, 'octave-change') ?? 0;
		state.transpose = {
			steps: (numberAt(transpose, 'diatonic') ?? 0) + 7 * octaves,
			semitones: (numberAt(transpose, 'chromatic') ?? 0) + 12 * octaves
		};
	}
}

const JUMPS = ['dacapo', 'dalsegno', 'tocoda', 'coda', 'segno', 'fine'];

function takeTempo(tempo: number | null, state: PartState, left: LeftOut): void {
	if (tempo === null) return;
	const sane = tempoWithin(Math.round(100 * tempo) / 100);
	if (sane !== tempo) left.say(`A tempo of ${tempo} is read as ${sane}.`);
	if (state.tempo === null) state.tempo = sane;
	else if (state.tempo !== sane) left.say('Changes of tempo are left out; the first one counts.');
}

function readSound(sound: XmlNode, state: PartState, left: LeftOut): void {
	if (JUMPS.some((name) => sound.attributes[name] !== undefined)) {
		left.say(
			'Jumps such as D.C., D.S. and coda are left out: the bars are read from first to last.'
		);
	}
	if (sound.attributes.tempo !== undefined) {
		const tempo = Number(sound.attributes.tempo);
		takeTempo(Number.isFinite(tempo) ? tempo : null, state, left);
	}
	const swing = child(sound, 'swing');
	if (swing && !state.swing) {
		const [first, second] = [numberAt(swing, 'first'), numberAt(swing, 'second')];
		state.swing = {
			first: child(swing, 'straight') ? 1 : (first ?? 2),
			second: child(swing, 'straight') ? 1 : (second ?? 1),
			type: textAt(swing, 'swing-type') || 'eighth'
		};
	}
}

const BEAT_UNITS: Readonly<Record<string, number>> = {
	half: 2,
	quarter: 1,
	eighth: 0.5,
	'16th': 0.25
};

/** Quarter notes a minute of a metronome mark; null where it has none. */
function metronome(node: XmlNode): number | null {
	const beats = numberAt(node, 'per-minute');
	const unit = BEAT_UNITS[textAt(node, 'beat-unit')];
	if (beats === null || unit === undefined) return null;
	return beats * unit * (child(node, 'beat-unit-dot') ? 1.5 : 1);
}

type Barline = { forward: boolean; times: number; endings: number[] };

function readBarline(node: XmlNode, into: Barline): void {
	const repeat = child(node, 'repeat');
	if (repeat?.attributes.direction === 'forward') into.forward = true;
	if (repeat?.attributes.direction === 'backward') {
		const times = Number(repeat.attributes.times ?? 2);
		into.times = Number.isInteger(times) && times >= 2 && times <= 64 ? times : 2;
	}
	const ending = child(node, 'ending');
	if (ending?.attributes.type === 'start') {
		into.endings = [...(ending.attributes.number ?? '').matchAll(/\d+/g)].map(([n]) => Number(n));
	}
}

/** A note with the grace note that leads to it: the last one on its string, or near it where no string is told. */
function withGrace(note: RawNote, graces: RawNote[], left: LeftOut): RawNote {
	const mine = (other: RawNote) =>
		other.staff === note.staff &&
		other.voice === note.voice &&
		(!note.place || !other.place || other.place.string === note.place.string);
	const at = graces.findLastIndex(mine);
	const own = graces[at];
	if (!own) return note;
	const others = graces.filter((other) => mine(other)).length - 1;
	for (let i = 0; i < others; i++) left.count('grace note');
	for (let i = graces.length - 1; i >= 0; i--) if (mine(graces[i]!)) graces.splice(i, 1);
	const fret = own.place?.fret ?? (note.place?.fret ?? 0) + own.midi - note.midi;
	// A grace note is told by its fret: without a place there is none.
	if (!note.place || fret < 0 || fret > 24) {
		left.count('grace note');
		return note;
	}
	return { ...note, graceFret: fret };
}

/** Reads one measure: its chords and notes in ticks from its bar line, its name, its signs. */
export function readMeasure(node: XmlNode, state: PartState, index: number, left: LeftOut) {
	let [cursor, length] = [0, 0];
	let section: string | null = null;
	const chords: { tick: number; symbol: string }[] = [];
	const notes: RawNote[] = [];
	const bar: Barline = { forward: false, times: 0, endings: [] };
	let first: TimeSignature | null = null;
	const ticks = (duration: number) => Math.round((duration * QUARTER) / state.divisions);
	let struck = 0;
	const graces: RawNote[] = [];
	for (const item of node.children) {
		if (item.name === 'attributes') readAttributes(item, state, left);
		else if (item.name === 'barline') readBarline(item, bar);
		else if (item.name === 'backup') cursor -= numberAt(item, 'duration') ?? 0;
		else if (item.name === 'forward') cursor += numberAt(item, 'duration') ?? 0;
		else if (item.name === 'sound') readSound(item, state, left);
		else if (item.name === 'direction') {
			for (const kind of all(item, 'direction-type')) {
				const name = textAt(kind, 'rehearsal');
				if (name !== '') section = name;
				if (child(kind, 'segno') || child(kind, 'coda')) {
					left.say(
						'Jumps such as D.C., D.S. and coda are left out: the bars are read from first to last.'
					);
				}
				const mark = child(kind, 'metronome');
				const sound = child(item, 'sound');
				if (mark && sound?.attributes.tempo === undefined) takeTempo(metronome(mark), state, left);
			}
			const sound = child(item, 'sound');
			if (sound) readSound(sound, state, left);
		} else if (item.name === 'harmony') {
			const symbol = symbolOf(item);
			const tick = ticks(cursor + (numberAt(item, 'offset') ?? 0));
			if (symbol === null) left.count('chord that cannot be told');
			else if (tick >= 0) {
				const there = chords.findIndex((entry) => entry.tick === tick);
				if (there >= 0) chords.splice(there, 1);
				chords.push({ tick, symbol });
			}
		} else if (item.name === 'note') {
			if (child(item, 'grace')) {
				const note = rawNote(item, ticks(cursor), 0, state);
				if (note) graces.push(note);
				continue;
			}
			const duration = Math.max(0, numberAt(item, 'duration') ?? 0);
			if (!child(item, 'chord')) {
				struck = cursor;
				cursor += duration;
			}
			if (child(item, 'cue')) left.count('cue note');
			else {
				const tick = ticks(struck);
				const note = rawNote(item, tick, ticks(struck + duration) - tick, state);
				if (note) notes.push(withGrace(note, graces, left));
			}
		}
		if (cursor < 0) cursor = 0;
		first ??= state.signature;
		length = Math.max(length, cursor);
	}
	chords.sort((a, b) => a.tick - b.tick);
	const full = ticks(length);
	const { beats, unit } = state.signature;
	const nominal = (beats * 4 * QUARTER) / unit;
	const pickup = full > 0 && full < nominal && (node.attributes.implicit === 'yes' || index === 0);
	return { signature: state.signature, length: full, section, chords, notes, pickup, ...bar };
}
