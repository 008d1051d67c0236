import { describe, expect, it } from 'vitest';
import { parseChart, type Chart } from '../chart';
import { scaleInUse } from '../harmony';
import { instrumentOf, lastPosition } from '../neck';
import { planTargets, rankLandings, STYLES, type PlanRequest, type Style } from '.';
import { STYLE_WEIGHTS, voiceLeading, WEIGHTS } from './targets/landing-prices';

const CHARTS = [
	'key: Bb blues\n| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |',
	'key: C\n| Dm7 | G7 | Cmaj7 | A7 | Dm7 | G7 | Cmaj7 | % |',
	'key: A minor\n| Am | F | C | G | Am | F | E7 | Am |',
	'key: G minor\ntime: 3/4\n| Gm6 | Am7b5 | D7b9 | Gm6 | Cm6 | Gm6 | Am7b5 | D7b9 |',
	'key: Ab\n| Bbm7 Eb7alt | Abmaj7 F7alt | Bbm7 Eb7b9 | Abmaj7 F7#9 |'
];

function request(chart: Chart, style: Style, position: number): PlanRequest {
	const none = { locks: [], forbid: [], letPass: [] };
	const { instrument } = instrumentOf(chart);
	return { chart, scale: scaleInUse(chart).scale, instrument, style, position, ...none };
}

/** Every plan of every chart in every window. */
function* plans(style: Style) {
	for (const text of CHARTS) {
		const chart = parseChart(text);
		const last = lastPosition(instrumentOf(chart).instrument);
		for (let position = 1; position <= last; position++) {
			const req = request(chart, style, position);
			yield { req, plan: planTargets(req) };
		}
	}
}

const moves = (targets: readonly { midi: number }[]) =>
	targets.slice(1).map((target, i) => target.midi - targets[i].midi);

describe('routes over many charts and windows', () => {
	it('glide: guide tones and nearest tones move by steps, rarely by more than a fourth', () => {
		for (const style of ['guide-tones', 'nearest'] as const) {
			const all = [...plans(style)].flatMap(({ plan }) => moves(plan.targets).map(Math.abs));
			const share = (most: number) => all.filter((move) => move <= most).length / all.length;
			expect(share(2), style).toBeGreaterThan(0.6);
			expect(share(5), style).toBeGreaterThan(0.95);
			expect(share(11), style).toBe(1);
		}
	});

	it('do not sit on one pitch, and go back and forth seldom', () => {
		for (const style of ['guide-tones', 'nearest'] as const) {
			let triples = 0;
			let same = 0;
			let back = 0;
			for (const { plan } of plans(style)) {
				for (let i = 2; i < plan.targets.length; i++) {
					const [a, b, c] = plan.targets.slice(i - 2, i + 1).map((target) => target.midi);
					triples++;
					if (a === b && b === c) same++;
					else if (a === c) back++;
				}
			}
			expect(same / triples, style).toBeLessThan(0.02);
			expect(back / triples, style).toBeLessThan(0.3);
		}
	});

	it('stay under the hand: most landings need no reach', () => {
		for (const style of STYLES) {
			const all = [...plans(style)].flatMap(({ plan }) => plan.targets);
			expect(all.filter((target) => target.reach).length / all.length, style).toBeLessThan(0.25);
		}
	});

	it('prefer the essential tones of an altered dominant', () => {
		let essential = 0;
		let tensions = 0;
		for (const { req, plan } of plans('nearest')) {
			for (const target of plan.targets) {
				const { chord } = req.chart.changes[target.change].to;
				if (chord.quality.tensions.length === 0) continue;
				if (chord.quality.tensions.includes(target.role)) tensions++;
				else essential++;
			}
		}
		expect(essential).toBeGreaterThan(3 * tensions);
	});

	it('tell a tone that stays and is written anew', () => {
		const chart = parseChart('key: Ab minor\n| Abm | E | B |');
		const locks = [0, 1, 2].map((change) => ({ change, string: 5, fret: 2 }));
		const { targets } = planTargets({ ...request(chart, 'nearest', 1), locks });
		expect(targets.map(({ reasons }) => reasons[0])).toEqual([
			'The first landing: Cb, the minor third of Abm.',
			'Cb stays, written B: now the fifth of E. The hand rests.',
			'B stays: now the root of B. The hand rests.'
		]);
	});

	it('give reasons whose sums are right', () => {
		const sizes: Record<string, number> = { 'a semitone': 1, 'a whole tone': 2 };
		for (const style of STYLES) {
			for (const { req, plan } of plans(style)) {
				plan.targets.forEach((target, i) => {
					const { symbol } = req.chart.changes[target.change].to;
					const [first] = target.reasons;
					expect(first).toContain(symbol);
					if (i === 0) return expect(first).toMatch(/^The first landing: /);
					const from = plan.targets[i - 1];
					const said =
						/^(\S+) (rises|falls) (a semitone|a whole tone|\d+ semitones) to (\S+),/.exec(first);
					const move = target.midi - from.midi;
					if (!said) return expect([move, first]).toEqual([0, expect.stringContaining('stays')]);
					const size = sizes[said[3]] ?? Number.parseInt(said[3]);
					expect(said[2] === 'rises' ? size : -size).toBe(move);
					expect([said[1], said[4]]).toEqual([from.name, target.name]);
				});
			}
		}
	});

	it('tell the ear the truth: a tone is new only when the chord before lacks it', () => {
		for (const { req, plan } of plans('nearest')) {
			for (const target of plan.targets) {
				const { from } = req.chart.changes[target.change];
				if (!from) continue;
				const had = from.chord?.tones.some((tone) => tone.pc === target.midi % 12);
				expect(target.reasons.some((text) => text.includes('is in both chords'))).toBe(had);
				expect(target.reasons.some((text) => / has no /.test(text))).toBe(!had);
			}
		}
	});

	it('rank every other landing no better than the one chosen', () => {
		const chart = parseChart(CHARTS[1]);
		for (const style of STYLES) {
			const req = request(chart, style, 5);
			for (const target of planTargets(req).targets) {
				const landings = rankLandings(req, target.change);
				const own = landings.find((l) => l.string === target.string && l.fret === target.fret);
				expect(own?.extra).toBe(0);
				expect(new Set(landings.map((l) => `${l.string}/${l.fret}`)).size).toBe(landings.length);
				const before = planTargets(req).targets[target.change - 1];
				if (before) expect(own?.semitones).toBe(target.midi - before.midi);
			}
		}
	});
});

describe('weights', () => {
	it('call a semitone the best move and grow beyond it', () => {
		expect(voiceLeading(1)).toBe(0);
		for (let size = 1; size < 24; size++)
			expect(voiceLeading(size + 1)).toBeGreaterThan(voiceLeading(size));
		expect(voiceLeading(0)).toBeGreaterThan(voiceLeading(2));
	});

	it('are whole numbers, none negative', () => {
		const numbers = [
			...Object.values(WEIGHTS),
			...Object.values(STYLE_WEIGHTS).flatMap((style) => [
				...Object.values(style.role),
				...Object.values(style.telling),
				style.voiceLeading
			])
		];
		for (const number of numbers) {
			expect(Number.isInteger(number)).toBe(true);
			expect(number).toBeGreaterThanOrEqual(0);
		}
	});
});
