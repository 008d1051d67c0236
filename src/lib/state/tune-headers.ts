import { keyName, circleOf, setHeader, transposeText } from '$core/chart';
import { proseSigns } from '$core/chord';
import { intervalBetween, parseNote, pitchClass } from '$core/pitch';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import { toast } from 'svelte-sonner';
import { Refusal, send } from './api';
import type { OpenTune } from './open-tune.svelte';

/** Header lines to set; null takes a line away. */
export type HeaderEdits = Readonly<Record<string, string | null>>;

/** One step: the whole text before and after it. */
type Step = { readonly before: string; readonly after: string };
type Steps = { past: Step[]; future: Step[] };

const taken = new WeakMap<OpenTune, Steps>();
function stepsOf(open: OpenTune): Steps {
	const known = taken.get(open) ?? { past: [], future: [] };
	taken.set(open, known);
	return known;
}

async function put(open: OpenTune, chart: string): Promise<boolean> {
	try {
		const { id, version } = open.saved;
		open.replace(await send<TuneAnswer>('PUT', `/api/v1/tunes/${id}`, { chart, version }));
		return true;
	} catch (error) {
		if (!(error instanceof Refusal)) throw error;
		if (error.status === 409 && error.current) {
			open.replace(error.current as TuneAnswer);
			toast('This tune was changed elsewhere; its newest text is here now. Choose again.');
		} else toast(error.message);
		return false;
	}
}

/** Saves a changed text of the open tune as a step; a toast says what was done and takes it back. */
async function step(open: OpenTune, after: string, said: string): Promise<void> {
	const before = open.saved.chart;
	if (after === before || !(await put(open, after))) return;
	const steps = stepsOf(open);
	steps.past.push({ before, after });
	steps.future = [];
	toast(said, { action: { label: 'Undo', onClick: () => void undoStep(open) } });
}

/**
 * Writes header lines into the chart of the open tune and saves it; everything else of the text stays.
 */
export const saveHeaders = (open: OpenTune, edits: HeaderEdits, said: string): Promise<void> =>
	step(
		open,
		Object.entries(edits).reduce(
			(chart, [name, value]) => setHeader(chart, name, value),
			open.saved.chart
		),
		said
	);

/** Moves the whole tune to the next key of the circle of fifths; the hand stays where it is. */
export async function toNextKey(open: OpenTune): Promise<void> {
	const { key } = open;
	if (!key) return;
	const circle = circleOf(key.mode).map(parseNote);
	const at = circle.findIndex((note) => note && pitchClass(note) === pitchClass(key.tonic));
	const tonic = circle[(at + 1) % circle.length];
	if (!tonic) return;
	const text = transposeText(open.saved.chart, intervalBetween(key.tonic, tonic));
	await step(open, text, `Now in ${proseSigns(keyName({ ...key, tonic }))}.`);
}

/** Takes the last step back, as long as nothing else has changed the tune since. */
export async function undoStep(open: OpenTune): Promise<void> {
	const steps = stepsOf(open);
	const last = steps.past.at(-1);
	if (!last) return;
	if (open.saved.chart !== last.after) {
		toast('The tune has changed since; undo it on the chart.');
	} else if (await put(open, last.before)) {
		steps.past.pop();
		steps.future.push(last);
	}
}

/** Does the step again that was taken back last. */
export async function redoStep(open: OpenTune): Promise<void> {
	const steps = stepsOf(open);
	const next = steps.future.at(-1);
	if (!next || open.saved.chart !== next.before || !(await put(open, next.after))) return;
	steps.future.pop();
	steps.past.push(next);
}
