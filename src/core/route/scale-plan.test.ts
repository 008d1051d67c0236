import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { buildScale, scaleInUse } from '../harmony';
import { above, degreeInterval, noteName, parseNote } from '../pitch';
import { blendScale, scalesAlong } from './scale-plan';

const names = (text: string, plan: Parameters<typeof scalesAlong>[2]) => {
	const chart = parseChart(text);
	return scalesAlong(chart, scaleInUse(chart).scale, plan).map((scale) => scale && scale.name);
};

describe('scale plans', () => {
	it('one scale stays for every chord', () => {
		expect(new Set(names('key: Bb blues\n| Bb7 | Eb7 | F7 |', 'one'))).toEqual(
			new Set(['minor pentatonic'])
		);
	});

	it('alternate: over a blues major on I and V, minor on IV', () => {
		expect(names('key: Bb blues\n| Bb7 | Eb7 | F7 | Bb7 |', 'alternate')).toEqual([
			'major pentatonic',
			'minor pentatonic',
			'major pentatonic',
			'major pentatonic'
		]);
	});

	it('alternate: the pentatonics change places on the next chorus', () => {
		expect(names('key: Bb blues\n[Head x3]\n| Bb7 | Eb7 |', 'alternate')).toEqual([
			'major pentatonic',
			'minor pentatonic',
			'minor pentatonic',
			'major pentatonic',
			'major pentatonic',
			'minor pentatonic'
		]);
	});

	it('alternate: IV and V take what the player wants, in every key', () => {
		for (const tonic of ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B']) {
			const key = parseNote(tonic);
			if (!key) throw new Error(tonic);
			const at = (degree: string) => noteName(above(key, degreeInterval(degree)));
			const chart = parseChart(`key: ${tonic} blues\n| ${tonic}7 | ${at('4')}7 | ${at('5')}7 |`);
			const told = (four: 'major' | 'minor' | null, five: 'major' | 'minor' | null) =>
				scalesAlong(chart, scaleInUse(chart).scale, 'alternate', [], { four, five })
					.map((scale) => scale?.name.split(' ')[0])
					.join(' ');
			expect(told(null, null), tonic).toBe('major minor major');
			expect(told('major', null), tonic).toBe('major major major');
			expect(told(null, 'minor'), tonic).toBe('major minor minor');
			expect(told('major', 'minor'), tonic).toBe('major major minor');
		}
	});

	it('alternate: the I, too, and every chorus alike, where the player says so', () => {
		const chart = parseChart('key: A blues\n[Head x2]\n| A7 | D7 |');
		const told = (wish: Parameters<typeof scalesAlong>[4]) =>
			scalesAlong(chart, scaleInUse(chart).scale, 'alternate', [], wish).map(
				(scale) => scale?.name.split(' ')[0]
			);
		const free = { four: null, five: null };
		expect(told(free)).toEqual(['major', 'minor', 'minor', 'major']);
		expect(told({ ...free, same: true })).toEqual(['major', 'minor', 'major', 'minor']);
		expect(told({ ...free, one: 'minor', four: 'major', same: true })).toEqual([
			...['minor', 'major', 'minor', 'major']
		]);
	});

	it('alternate: a minor tonic chord takes the minor one', () => {
		expect(names('key: A minor\n| Am7 | Dm7 |', 'alternate')).toEqual([
			'minor pentatonic',
			'minor pentatonic'
		]);
	});

	it('follow: the nearest edit that holds each chord', () => {
		const chart = parseChart('key: A minor\n| Am | E7 | N.C. | Dm |');
		const scales = scalesAlong(chart, scaleInUse(chart).scale, 'follow');
		chart.events.forEach(({ chord }, i) => {
			const held = chord?.tones.every((tone) =>
				scales[i]?.notes.some((note) => note.pc === tone.pc)
			);
			expect(held ?? true).toBe(true);
		});
		expect(scales[1]?.notes.map((note) => note.name)).toContain('G#');
		expect(scales[2]).toBeNull();
	});

	it('arpeggio draws on no scale; a scale set by hand goes first', () => {
		const chart = parseChart('key: C\n| C | G7 |');
		const own = buildScale(parseNote('G') ?? { letter: 0, alter: 0 }, 'altered');
		if (!own) throw new Error('no scale');
		const scales = scalesAlong(chart, null, 'arpeggio', [{ event: 1, scale: own }]);
		expect(scales).toEqual([null, own]);
	});

	it('a blend draws on the minor pentatonic of the tonic, whatever scale is in use', () => {
		const tell = (text: string) => {
			const chart = parseChart(text);
			return blendScale(chart, scaleInUse(chart).scale)
				?.notes.map((note) => note.name)
				.join(' ');
		};
		expect(tell('key: Bb blues\n| Bb7 |')).toBe('Bb Db Eb F Ab');
		expect(tell('key: Bb\n| Bb7 |')).toBe('Bb Db Eb F Ab');
		expect(tell('key: Bb blues\nscale: Bb minor blues\n| Bb7 |')).toBe('Bb Db Eb Fb F Ab');
	});
});
