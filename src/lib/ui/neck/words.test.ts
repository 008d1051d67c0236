import { notation } from '$core/pitch';
import { arpeggioShapes, buildInstrument, standardGuitar } from '$core/neck';
import { describe, expect, it } from 'vitest';
import { scaleTitle, tuningTitle } from '$lib/words/words';
import { changeSummary, changeWords, missingTones, tellPlace } from './place-words';
import { choicesFor, choiceWords, clashWords, scaleFields } from './scale-rows';
import { captionWords, detailWords, kindWords, spokenWords } from './shape-words';
import { chordOf, scaleOf } from './test-values';

const guitar = standardGuitar();
const [bb7, eb7] = [chordOf('Bb7'), chordOf('Eb7')];
const minor = scaleOf('Bb', 'minor pentatonic');

describe('what changes, in words', () => {
	it('tells what stays, what moves and what is new', () => {
		expect(changeWords(eb7, bb7)).toEqual([
			'B♭ stays, the fifth becomes the root.',
			'E♭ falls a semitone to D, the third.',
			'D♭ rises a semitone to D, the third.',
			'E♭ rises a whole tone to F, the fifth.',
			'G falls a whole tone to F, the fifth.',
			'G rises a semitone to A♭, the seventh.'
		]);
		expect(changeSummary(eb7, bb7)).toBe('Two of four tones are a semitone away, one stays.');
		expect(changeSummary(chordOf('C5'), chordOf('D5'))).toMatch(/nothing is a semitone away/);
	});
});

describe('a place, in words', () => {
	const told = tellPlace({ instrument: guitar, position: 6, now: eb7, next: bb7, scale: minor });

	it('tells the hand, both chords, the change and the scale', () => {
		expect(told.map(({ head }) => head)).toEqual([
			'Position 6',
			'E♭7 now',
			'B♭7 next',
			'What changes',
			'B♭ minor pentatonic'
		]);
		const [hand, now, , change, notes] = told.map(({ text }) => text);
		expect(hand).toContain('Index finger on fret 6, little finger on fret 9');
		expect(now).toContain('Root E♭ on string 5 fret 6 and string 3 fret 8');
		expect(now).toContain('string 5 fret 10, a reach');
		expect(change).toContain('string 3 fret 8, E♭, to fret 7, D');
		expect(notes).toContain('A♭ 11, clash');
		expect(notes).toContain('It lacks G of E♭7.');
	});

	it('names a tone that an odd tuning has nowhere', () => {
		const unison = buildInstrument('E3 E3 E3 E3');
		if (!unison) throw new Error('tuning');
		// Six frets on one pitch reach from E♭ to A♭ about the fifth fret: no C there.
		expect(missingTones(unison, 5, chordOf('C')).map((tone) => tone.name)).toEqual(['E', 'G']);
		expect(missingTones(guitar, 6, eb7)).toEqual([]);
	});
});

describe('the scale over a chord', () => {
	it('hears every note of it and puts the edit in its place', () => {
		const [choice] = choicesFor(eb7, minor);
		const fields = scaleFields(minor, eb7, bb7, choice.edits);
		expect(fields.map((field) => field.role)).toEqual(['5', 'b7', 'R', '9', '11']);
		expect(fields.map((field) => field.edited)).toEqual([
			undefined,
			undefined,
			undefined,
			undefined,
			'G'
		]);
		expect(fields[4].rises).toBe(false);
		expect(choiceWords(choice)).toBe('A♭ falls to G');
		expect(
			choiceWords({
				...choice,
				edits: [
					{ from: null, to: notation('D') },
					{ from: notation('F'), to: null }
				]
			})
		).toBe('add D, leave out F');
	});

	it('keeps one chosen under another scale in sight', () => {
		const major = scaleOf('Bb', 'major');
		const chosen = scaleOf('Eb', 'half-whole diminished');
		const choices = choicesFor(eb7, major, {}, chosen);
		expect(choices.at(-1)?.scale).toEqual(chosen);
		expect(choices.at(-1)?.containsAll).toBe(true);
		expect(choicesFor(eb7, major, {}, choices[0].scale)).toEqual(choicesFor(eb7, major));
	});

	it('says what to do with a clash', () => {
		expect(clashWords(minor, eb7, bb7)).toEqual([
			'A♭ over E♭7: let it fall a semitone to G, the third, or pass through on a weak beat.'
		]);
		expect(clashWords(minor, bb7, null)[0]).toContain('curl it up');
	});

	it('is called by its name, an own one by the name it was given', () => {
		expect(scaleTitle(minor)).toBe('B♭ minor pentatonic');
		const own = [{ name: 'Night ferry', degrees: '1 2 b3 5 6' }];
		expect(scaleTitle(scaleOf('C', '1 2 b3 5 6'), own)).toBe('C Night ferry');
		expect(scaleTitle(scaleOf('C', '1 2 b3 5 6'))).toBe('C 1 2 ♭3 5 6');
		expect(tuningTitle('drop-d')).toBe('Drop D');
		expect(tuningTitle('dadgad')).toBe('DADGAD');
		expect(tuningTitle('half-step-down')).toBe('Half step down');
	});
});

describe('a shape in words', () => {
	const shapes = arpeggioShapes(guitar, eb7, 6);
	const octave = shapes.find((shape) => shape.kind === 'octave');
	if (!octave) throw new Error('no octave');

	it('has a head, a caption and its detail', () => {
		expect(kindWords(octave)).toBe('root to root');
		expect(captionWords(octave)).toBe('A form, root string 5');
		expect(captionWords(shapes[0])).toMatch(/^[A-Z]\w+ notes, (no reach|\w+ reach(es)?)$/);
		expect(detailWords(octave).join()).toMatch(/lowest root on string 5\D.*\d mm/);
		for (const shape of shapes.filter((entry) => entry.kind === 'fragment')) {
			expect(kindWords(shape)).toMatch(/^strings \d–\d$/);
		}
	});

	it('is spoken note by note with fingers', () => {
		const spoken = spokenWords(octave, eb7.symbol);
		expect(spoken).toContain('E♭7, root to root: E♭ string 5 fret 6 finger');
		expect(spoken.match(/finger \d/g)).toHaveLength(octave.notes.length);
	});

	it('names every roll with its finger and strings', () => {
		const rolled = arpeggioShapes(guitar, chordOf('Am'), 5).find((shape) => shape.rolls.length > 0);
		if (!rolled) throw new Error('no roll');
		const [[a, b]] = rolled.rolls;
		const { notes } = rolled;
		expect(detailWords(rolled)).toContain(
			`finger ${notes[a].finger} rolls strings ${notes[a].string} and ${notes[b].string}`
		);
	});
});
