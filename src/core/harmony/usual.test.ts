import { describe, expect, it } from 'vitest';
import { parseChord, transposeChord, type Chord, type Key } from '../chord';
import { above, intervalBetween, noteName, parseNote, pitchClass, type Note } from '../pitch';
import {
	buildScale,
	hiddenArpeggios,
	hiddenScale,
	scaleChoices,
	SCALE_NAMES,
	type Scale,
	type ScaleChoice
} from '.';

const chord = (symbol: string): Chord => {
	const found = parseChord(symbol);
	if (!found) throw new Error(symbol);
	return found;
};
const note = (name: string): Note => {
	const found = parseNote(name);
	if (!found) throw new Error(name);
	return found;
};
const scale = (tonic: Note, name: string): Scale => {
	const found = buildScale(tonic, name);
	if (!found) throw new Error(name);
	return found;
};
const KEYS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const pcs = (given: Scale) => given.notes.map((entry) => entry.pc).sort((a, b) => a - b);

type Case = {
	/** On C: the chord, the scale in use, the chord that follows, the key's mode. */
	readonly over: string;
	readonly inUse: string;
	readonly next: string | null;
	readonly mode: Key['mode'];
	/** Scales that must be among the first three, each on a note of C. */
	readonly first: readonly string[];
};

/** The usual answers, written on C. */
const TABLE: readonly (readonly [
	over: string,
	inUse: string,
	next: string | null,
	mode: Key['mode'],
	first: readonly string[]
])[] = [
	['G7alt', 'major', 'Cmaj7', 'major', ['G altered']],
	['G7alt', 'natural minor', 'Cm', 'minor', ['G altered']],
	['G7b9', 'natural minor', 'Cm', 'minor', ['G phrygian dominant']],
	['A7b9', 'major', 'Dm7', 'major', ['A phrygian dominant']],
	['G7b9', 'major', 'Cmaj7', 'major', ['G half-whole diminished', 'G mixolydian b2']],
	['Bdim7', 'natural minor', 'Cm', 'minor', ['B whole-half diminished', 'C harmonic minor']],
	['C#dim7', 'major', 'Dm7', 'major', ['C# whole-half diminished', 'D harmonic minor']],
	['Dm7b5', 'natural minor', 'G7', 'minor', ['D locrian', 'D locrian natural 2']],
	['Bm7b5', 'major', 'E7', 'major', ['B locrian', 'B locrian natural 2']],
	...['C7', 'F7', 'G7'].map(
		(dominant) =>
			[
				...([dominant, 'minor pentatonic', null, 'blues'] as const),
				[
					`${dominant[0]} mixolydian`,
					`${dominant[0]} mixolydian pentatonic`,
					`${dominant[0]} dominant pentatonic`
				]
			] as const
	),
	['Fmaj7#11', 'major', null, 'major', ['F lydian']],
	['Dbmaj7#11', 'natural minor', 'Cm', 'minor', ['Db lydian']]
];
const CASES: Case[] = TABLE.map(([over, inUse, next, mode, first]) => ({
	...{ over, inUse, next, mode, first }
}));

/** A case moved to another tonic. */
function moved({ over, inUse, next, mode, first }: Case, key: string) {
	const tonic = note(key);
	const by = intervalBetween(note('C'), tonic);
	const following = next === null ? null : transposeChord(chord(next), by);
	return {
		chord: transposeChord(chord(over), by),
		next: following,
		key: { tonic, mode },
		inUse: scale(tonic, inUse),
		first: first.map((title) => {
			const [on, ...name] = title.split(' ');
			return scale(above(note(on), by), name.join(' '));
		})
	};
}
const title = (given: Scale) => `${noteName(given.tonic)} ${given.name}`;
const told = (choices: readonly ScaleChoice[]) =>
	choices.map(({ scale: one, relative }) => title(one) + (relative ? ` = ${title(relative)}` : ''));

describe('the usual scales of a kind of chord', () => {
	it.each(CASES)('$over before $next in C $mode: among the first three in twelve keys', (given) => {
		for (const key of KEYS) {
			const { chord: over, next, key: home, inUse, first } = moved(given, key);
			const choices = scaleChoices(over, inUse, { next, key: home });
			const three = choices.slice(0, 3).map((choice) => pcs(choice.scale).join());
			for (const wanted of first) {
				expect(three, `${title(wanted)} among ${told(choices).join(', ')}`).toContain(
					pcs(wanted).join()
				);
			}
		}
	});

	it('over every chord: what lacks a tone comes last and is no denial; names start on the root', () => {
		const symbols = ['', 'm', '7', 'maj7', 'm7', 'm7b5', 'dim7', '7alt', '7b9', '13b9', '9', 'm6'];
		for (const inUse of ['major', 'natural minor', 'minor pentatonic', 'mixolydian']) {
			for (const [k, key] of KEYS.entries()) {
				const scaleInUse = scale(note(key), inUse);
				const over = chord(KEYS[(k * 5 + inUse.length) % 12] + symbols[k % symbols.length]);
				for (const suffix of symbols) {
					const given = chord(noteName(over.root) + suffix);
					const choices = scaleChoices(given, scaleInUse, { limit: 20 });
					const firstLacking = choices.findIndex((choice) => !choice.containsAll);
					if (firstLacking >= 0) {
						expect(choices.slice(firstLacking).every(({ containsAll }) => !containsAll)).toBe(true);
					}
					for (const { scale: one, lacks, edits, containsAll } of choices) {
						const own = one === scaleInUse;
						const missing = lacks.map(({ role }) => role);
						expect(missing.length === 0).toBe(containsAll);
						if (!own) {
							expect(missing).not.toContain('3');
							if (suffix.includes('b9')) expect(one.name).not.toMatch(/^lydian/);
						}
						// A scale of seven and more notes is never told by its degrees.
						if (one.notes.length >= 7) expect(one.name).not.toMatch(/^1 /);
						// Named from the root where a usual name starts there.
						const onRoot = SCALE_NAMES.filter((name) => !/^(bebop|chromatic)/.test(name)).some(
							(name) => pcs(scale(given.root, name)).join() === pcs(one).join()
						);
						if (onRoot && edits.length > 0) {
							expect(pitchClass(one.tonic), title(one)).toBe(pitchClass(given.root));
						}
						if (edits.length === 0) expect(one).toBe(scaleInUse);
					}
				}
			}
		}
	});

	it.each([
		['F7', 'C', 'minor pentatonic', 'blues', 'F mixolydian = C dorian'],
		['G7', 'C', 'natural minor', 'minor', 'G phrygian dominant = C harmonic minor'],
		['D7', 'C', 'major', 'major', 'D mixolydian = C lydian'],
		['Fm', 'C', 'major', 'major', 'F lydian b3 = C harmonic major'],
		['A7', 'D', 'natural minor', 'minor', 'A phrygian dominant = D harmonic minor'],
		['Eb7', 'Bb', 'minor pentatonic', 'blues', 'Eb dominant pentatonic = Bb minor pentatonic 6']
	] as const)('%s in %s %s (%s) offers %s', (symbol, tonic, name, mode, wanted) => {
		const by = note(tonic);
		const choices = scaleChoices(chord(symbol), scale(by, name), { key: { tonic: by, mode } });
		expect(told(choices)).toContain(wanted);
	});

	it('adds before it replaces when the player asks what a chord adds to a pentatonic', () => {
		for (const key of KEYS) {
			const inUse = scale(note(key), 'minor pentatonic');
			for (const suffix of ['7', 'maj7', 'm7', 'm7b5', '9']) {
				for (const root of KEYS) {
					const given = chord(root + suffix);
					const [first] = scaleChoices(given, inUse, { adds: true });
					expect(first.containsAll).toBe(true);
					expect(
						first.edits.every(({ from }) => from === null),
						`${key} ${root}${suffix}`
					).toBe(true);
				}
			}
		}
	});
});

describe('the scale that a raised fifth asks for', () => {
	const named = (symbol: string) => {
		const over = chord(symbol);
		const choices = scaleChoices(over, scale(note('C'), 'major'), { next: null, key: null });
		return choices.slice(0, 3).map(({ scale: one }) => title(one));
	};

	it('is the lydian augmented one over a major seventh, and over no other', () => {
		expect(named('Cmaj7#5')).toContain('C lydian augmented');
		expect(named('Cmaj7')).not.toContain('C lydian augmented');
	});

	it('is the whole-tone scale over a seventh chord, then the altered one', () => {
		expect(named('G7#5')).toEqual(expect.arrayContaining(['G whole tone', 'G altered']));
		expect(named('G7')).not.toContain('G whole tone');
	});
});

describe('hidden arpeggios in twelve keys', () => {
	const inKeys = (look: (move: (name: string) => Note, key: string) => void) => {
		for (const key of KEYS)
			look((name) => above(note(name), intervalBetween(note('C'), note(key))), key);
	};
	const on = (root: Note, suffix: string) => chord(noteName(root) + suffix);

	it('are spelled as their scale: the leading-tone chord of a harmonic minor', () =>
		inKeys((move) => {
			const inside = scale(move('D'), 'harmonic minor');
			const names = new Set(inside.notes.map(({ name }) => name));
			const found = hiddenArpeggios(inside, on(move('D'), 'm'));
			const seventh = found.find(({ name }) => name === `${noteName(move('C#'))}dim7`);
			const spelled = ['C#', 'E', 'G', 'Bb'].map((name) => noteName(move(name)));
			expect(seventh?.notes.map(noteName)).toEqual(spelled);
			for (const { notes } of found)
				for (const one of notes) expect(names).toContain(noteName(one));
			expect(found.filter(({ name }) => name.endsWith('dim7'))).toHaveLength(1);
		}));

	it('stand for the chord without its root: the diminished seventh over a 7♭9', () =>
		inKeys((move) => {
			const over = on(move('C'), '7b9');
			const found = hiddenArpeggios(scale(move('F'), 'harmonic minor'), over, on(move('F'), 'm'));
			expect(found[0].roles).toEqual(['3', '5', 'b7', 'b9']);
			expect(found[0].rootless).toBe(over.symbol);
			const names = ['E', 'G', 'Bb', 'Db'].map((name) => noteName(move(name)));
			expect(found[0].notes.map(noteName)).toEqual(names);
		}));

	it('over the V7 of a minor home come from the raised scale, the one on its third first', () =>
		inKeys((move) => {
			for (const inUse of ['natural minor', 'minor pentatonic', 'dorian']) {
				const home: Key = { tonic: move('A'), mode: 'minor' };
				const over = on(move('E'), '7');
				const raised = hiddenScale(over, scale(move('A'), inUse), home);
				expect(pcs(raised)).toEqual(pcs(scale(move('A'), 'harmonic minor')));
				const [first] = hiddenArpeggios(raised, over, on(move('A'), 'm'));
				expect(first.name).toBe(`${noteName(move('G#'))}dim7`);
				// Elsewhere they are looked for in the scale in use.
				const own = scale(move('A'), inUse);
				expect(hiddenScale(on(move('D'), 'm7'), own, home)).toBe(own);
				expect(hiddenScale(over, own, { ...home, mode: 'major' })).toBe(own);
			}
		}));

	it('are ordered by use, and judged note by note', () =>
		inKeys((move) => {
			const inside = scale(move('C'), 'major');
			for (const [root, suffix] of [
				['C', 'maj7'],
				['A', 'm7'],
				['D', 'm7'],
				['G', '7'],
				['F', 'maj7'],
				['E', 'm7'],
				['C', '']
			] as const) {
				const over = on(move(root), suffix);
				const found = hiddenArpeggios(inside, over);
				const rank = { tells: 0, colour: 1, rest: 2 };
				const uses = found.map(({ use }) => rank[use]);
				expect(uses).toEqual([...uses].sort((a, b) => a - b));
				for (const { use, roles, clashes, verdicts } of found) {
					expect(clashes).toHaveLength(verdicts.filter((verdict) => verdict === 'clash').length);
					const guides = over.tones.filter(({ role }) => /^b?[37]$/.test(role));
					const tells = guides.every(({ role }) => (roles as readonly string[]).includes(role));
					expect(use === 'tells').toBe(tells);
				}
				// The half-diminished seventh of the key is a usual colour over its other seventh chords.
				const half = found.find(({ name }) => name === `${noteName(move('B'))}m7b5`);
				if (root !== 'G' && suffix !== '') expect(half?.use).not.toBe('rest');
			}
		}));

	it('hold ninth chords too', () =>
		inKeys((move) => {
			const names = hiddenArpeggios(scale(move('C'), 'major'), on(move('E'), 'm7')).map(
				({ name }) => name
			);
			for (const [root, suffix] of [
				['C', 'maj9'],
				['F', 'maj9'],
				['D', 'm9'],
				['A', 'm9'],
				['G', '9']
			]) {
				expect(names).toContain(noteName(move(root)) + suffix);
			}
		}));

	it('leave a diminished seventh’s own notes out, on whichever of its roots', () =>
		inKeys((move) => {
			const over = on(move('B'), 'dim7');
			const found = hiddenArpeggios(scale(move('C'), 'harmonic minor'), over);
			expect(found.some(({ name }) => name.endsWith('dim7'))).toBe(false);
		}));
});
