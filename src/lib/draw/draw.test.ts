import { parseChart } from '$core/chart';
import { parseChord } from '$core/chord';
import { describe, expect, it } from 'vitest';
import { chordWidth, fittingSize } from './chord-width';
import { neckGeometry } from './neck-geometry';
import { arcPath, bulge, handLabel, moveLabel, pitchAxis, timeAxis } from './strip-geometry';
import { labelShift, shapePath, shapeStroke } from './role-shape';

const chord = (symbol: string) => {
	const found = parseChord(symbol);
	if (!found) throw new Error(symbol);
	return found;
};

describe('the drawn neck', () => {
	const size = { width: 1168, height: 236, left: 58, right: 2, top: 44, bottom: 192, strings: 6 };
	const whole = { ...size, from: 0, to: 22, thinOnTop: true, leftHanded: false };

	it('narrows toward the body, to scale', () => {
		const neck = neckGeometry(whole);
		for (let fret = 1; fret < 22; fret++) {
			const here = neck.wire(fret) - neck.wire(fret - 1);
			const next = neck.wire(fret + 1) - neck.wire(fret);
			expect(next / here).toBeCloseTo(2 ** (-1 / 12), 6);
			expect(neck.fretAt(neck.place(fret))).toBe(fret);
		}
	});

	it('turns over for the other view and for left hand', () => {
		const neck = neckGeometry(whole);
		const flipped = neckGeometry({ ...whole, thinOnTop: false });
		expect(neck.string(1, 300)).toBeLessThan(neck.string(6, 300));
		expect(flipped.string(1, 300)).toBeGreaterThan(flipped.string(6, 300));
		const left = neckGeometry({ ...whole, leftHanded: true });
		expect(left.place(3)).toBeGreaterThan(left.place(9));
		expect(left.fretAt(left.place(9))).toBe(9);
	});
});

describe('the arc strip', () => {
	const chart = parseChart('| C | F | G | C | F | G |');

	it('shows the bars round a change and stays inside the chart', () => {
		const bars = (bar: number) => {
			const axis = timeAxis(chart, bar, 840, 22, 4);
			return [axis.from, axis.to];
		};
		expect(bars(1)).toEqual([0, 4]);
		expect(bars(4)).toEqual([1, 5]);
		expect(bars(6)).toEqual([2, 6]);
		const axis = timeAxis(chart, 1, 840, 22, 4);
		expect(axis.x(0)).toBe(22);
		expect(axis.x(4 * 1920)).toBe(840 - 34);
	});

	it('fits all pitches and keeps flat moves flat', () => {
		const target = (midi: number) => ({ midi }) as Parameters<typeof pitchAxis>[0][number];
		const y = pitchAxis([target(50), target(74)], 100, 180);
		expect([y(74), y(50)]).toEqual([100, 180]);
		expect(pitchAxis([], 100, 180)(60)).toBe(140);
		expect(bulge(-5)).toBe(51);
		expect(arcPath(0, 10, 20, 10, 8)).toBe('M0.0,10.0Q10.0,-6.0 20.0,10.0');
	});

	it('labels moves', () => {
		expect([moveLabel(0), moveLabel(-1), moveLabel(5)]).toEqual([
			'stays',
			'1 semitone',
			'5 semitones'
		]);
		expect(handLabel({ string: 3, fret: 7 }, { string: 3, fret: 6 })).toBe('stays on string 3');
		expect(handLabel({ string: 3, fret: 7 }, { string: 4, fret: 9 })).toBe('to string 4');
	});

	it('chooses the largest size that fits', () => {
		expect(chordWidth(chord('C'))).toBeLessThan(chordWidth(chord('Bbm7b5')));
		expect(fittingSize(chord('C'), 200, [38, 20])).toBe(38);
		expect(fittingSize(chord('Bbm7b5/Db'), 10, [38, 20])).toBe(20);
	});
});

describe('mark shapes', () => {
	it('are closed outlines that grow with their radius', () => {
		for (const kind of ['root', 'third', 'fifth', 'seventh', 'extension', 'bass'] as const) {
			const small = shapePath(kind, 10);
			expect(small).toMatch(/^M.*Z$/);
			const reach = (path: string) =>
				Math.max(...[...path.matchAll(/-?\d+(?:\.\d+)?/g)].map(([n]) => Math.abs(Number(n))));
			expect(reach(shapePath(kind, 20))).toBeGreaterThan(reach(small));
			expect(shapeStroke(kind)).toBeGreaterThan(1);
		}
	});

	it('tell roles apart by shape alone', () => {
		const shapes = ['root', 'third', 'fifth', 'extension'].map((kind) =>
			shapePath(kind as 'root', 12)
		);
		expect(new Set(shapes).size).toBe(4);
		expect(shapePath('third', 12)).toBe(shapePath('seventh', 12));
		expect(shapeStroke('third')).toBeGreaterThan(shapeStroke('fifth'));
		expect(shapeStroke('fifth')).toBe(shapeStroke('extension'));
		expect(labelShift('third')).toBeLessThan(0);
	});
});
