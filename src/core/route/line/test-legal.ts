import { expect } from 'vitest';
import { chartTicks } from '../../chart';
import { toneAt } from '../../chord';
import { fingerJumps, inWindow, pitchAt } from '../../neck';
import { scalesAlong } from '../scale-plan';
import type { planned } from '../test-lines';
import { STEADY } from '../test-lines';
import { GRIDS, type LineGrid } from './cells';
import type { LineNote, LineWishes } from './types';
import { FAST_MS } from './line-prices';

export const LINE_GRIDS = GRIDS.filter((grid) => grid !== 'targets');

export const steadyOn = (grid: LineGrid): LineWishes => ({ ...STEADY, grid });

export const shape = (notes: readonly LineNote[]) =>
	notes.map(({ tick, string, fret, finger, kind }) => [tick, string, fret, finger, kind]);

/** Everything that must hold for any planned line. */
export function expectLegal(
	{ request, targets, line }: ReturnType<typeof planned>,
	wishes: LineWishes
) {
	const { chart, instrument, position } = request;
	const scales = scalesAlong(chart, request.scale, wishes.scalePlan, wishes.byHand);
	const ms = 60_000 / (chart.headers.tempo * 480);
	const { notes } = line;
	const byTick = new Map(notes.map((note) => [note.tick, note]));
	// Within a beat no pitch has two names; only two chords that meet there keep their own.
	const spelled = new Map<string, LineNote>();
	for (const note of notes) {
		const at = `${Math.floor(note.tick / 480)} ${note.midi % 12}`;
		const before = spelled.get(at) ?? note;
		if (!(before.role && note.role)) expect(note.name).toBe(before.name);
		spelled.set(at, note);
	}
	for (const target of targets) {
		const note = byTick.get(target.tick);
		expect(note).toMatchObject({ string: target.string, fret: target.fret, kind: 'target' });
	}
	expect(notes.filter((note) => note.kind === 'target')).toHaveLength(targets.length);
	notes.forEach((note, i) => {
		const next = notes[i + 1];
		expect(note.durationTicks).toBeGreaterThan(0);
		expect(note.tick + note.durationTicks).toBeLessThanOrEqual(next?.tick ?? chartTicks(chart));
		expect(pitchAt(instrument, note)).toBe(note.midi);
		expect(inWindow(instrument, position, note)).toBe(true);
		const { chord } = chart.events[note.chord];
		const tone = chord && toneAt(chord, note.midi);
		expect(note.role).toBe(tone?.role ?? null);
		const degree = scales[note.chord]?.notes.find((entry) => entry.pc === note.midi % 12);
		if (tone) expect(note.name).toBe(tone.name);
		else if (degree) expect(note.name).toBe(degree.name);
		if (!tone && !degree) {
			expect(note.name).not.toMatch(/^(Fb|Cb|E#|B#|.{3,})$/);
			expect(['chromatic', 'enclosure']).toContain(note.kind);
			const [a, b] = [next ?? notes[0], notes[i + 2] ?? notes[0]];
			const encloses =
				Math.sign(note.midi - b.midi) * Math.sign(a.midi - b.midi) === -1 &&
				Math.abs(note.midi - b.midi) <= 2 &&
				Math.abs(a.midi - b.midi) <= 2;
			expect(Math.abs(a.midi - note.midi) === 1 || encloses).toBe(true);
		}
		if (!next || note.tick + note.durationTicks < next.tick) return;
		if ((next.tick - note.tick) * ms >= FAST_MS || note.fret === 0 || next.fret === 0) return;
		expect(note.string !== next.string && fingerJumps(note, next)).toBe(false);
		expect(Math.abs(note.fret - next.fret)).toBeLessThan(5);
	});
}
