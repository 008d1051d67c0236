import { parseChart } from '../chart';
import { type Scale, scaleInUse } from '../harmony';
import { standardGuitar } from '../neck';
import type { Motif, MotifNote, PhraseContext } from './types';

export const guitar = standardGuitar();

export const context = (text: string, position = 5, scale?: Scale | null): PhraseContext => {
	const chart = parseChart(text);
	const used = scale === undefined ? scaleInUse(chart).scale : scale;
	return {
		chart,
		instrument: guitar,
		scales: chart.events.map(() => used),
		handAt: () => position
	};
};

export const steps = (basis: Motif['basis'], ...list: (string | number)[]): Motif => ({
	basis,
	notes: list.map((step, i): MotifNote => ({ offsetTicks: i * 240, durationTicks: 240, step }))
});

export const names = (phrase: { notes: readonly { name: string }[] }) =>
	phrase.notes.map((note) => note.name).join(' ');

export const midis = (phrase: { notes: readonly { midi: number }[] }) =>
	phrase.notes.map((note) => note.midi);

/** A short call of our own: up from the fifth through the root to the third, and on to the fifth. */
export const GANGWAY = steps('role', '5', 'R', '9', '3', '5');
