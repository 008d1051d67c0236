import { describe, expect, it } from 'vitest';
import { standLayout } from './stand-layout';

const SCREENS = [
	['laptop', 1280, 800],
	['wide', 2560, 1080],
	['upright tablet', 820, 1180],
	['phone', 390, 760],
	['phone on its side', 844, 390]
] as const;

describe.each(SCREENS)('the stand on a %s', (_, width, height) => {
	const at = standLayout(width, height);

	it('keeps everything inside its drawing', () => {
		for (const box of [at.neck, at.tab]) {
			expect(box.x).toBeGreaterThan(0);
			expect(box.x + box.w).toBeLessThan(at.width);
			expect(box.y + box.h).toBeLessThan(at.height);
		}
		expect(at.now.x + at.now.room).toBeLessThan(at.next.x);
		expect(at.next.x + at.next.room).toBeLessThan(at.width);
		expect(at.line.y).toBeLessThan(at.height);
		expect(at.line.x + at.line.w).toBeLessThan(at.width);
	});

	it('lays neck and tab apart, below the chords and above the line', () => {
		const beside = at.neck.x + at.neck.w < at.tab.x;
		const under = at.neck.y + at.neck.h < at.tab.y;
		expect(beside || under).toBe(true);
		expect(at.neck.y).toBeGreaterThan(at.now.y);
		expect(at.line.y).toBeGreaterThan(at.tab.y + at.tab.h);
	});

	it('is read from afar: the chords are by far the largest', () => {
		const shown = Math.min(width / at.width, height / at.height);
		const far = width < 500 || height < 500 ? 0.25 : 0.2;
		expect((at.now.size * shown) / Math.min(width, height)).toBeGreaterThan(far);
		expect(at.now.size).toBeGreaterThan(at.next.size);
		expect(at.next.size).toBeGreaterThan(2 * at.land.size);
	});
});
