import { setHeader } from '$core/chart';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import { toast } from 'svelte-sonner';
import { Refusal, send } from './api';
import type { OpenTune } from './open-tune.svelte';

/** Header lines to set; null takes a line away. */
export type HeaderEdits = Readonly<Record<string, string | null>>;

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

/**
 * Writes header lines into the chart of the open tune and saves it; everything else of the text stays.
 * A toast says what was done and takes it back.
 */
export async function saveHeaders(open: OpenTune, edits: HeaderEdits, said: string): Promise<void> {
	const before = open.saved.chart;
	const text = Object.entries(edits).reduce(
		(chart, [name, value]) => setHeader(chart, name, value),
		before
	);
	if (text === before || !(await put(open, text))) return;
	const { version } = open.saved;
	toast(said, {
		action: {
			label: 'Undo',
			onClick: () => {
				// Only what this step did is taken back, never what came after it.
				if (open.saved.version === version) void put(open, before);
				else toast('The tune has changed since; undo it on the chart.');
			}
		}
	});
}
