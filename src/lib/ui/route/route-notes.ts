import { fetched } from '$lib/state/fetched';
import { goto } from '$app/navigation';
import { chartTicks } from '$core/chart';
import { proseSigns } from '$core/chord';
import { waysOver } from '$lib/state/own-line';
import { toast } from 'svelte-sonner';
import type { RouteParts } from './route-keys';

/** A phrase that comes from its own screen stands in the line as own notes. */
export async function layIn({ open, plan }: Pick<RouteParts, 'open' | 'plan'>): Promise<void> {
	const { incoming } = open;
	open.incoming = null;
	if (!incoming) return;
	if (!plan.planned) await plan.plan();
	const total = chartTicks(open.chart);
	const notes = incoming.notes.filter((note) => note.tick < total);
	const { over, air, slide, block } = incoming;
	const { line } = plan.wishes;
	if (slide > 0 && (slide !== line.slide || block !== line.block)) {
		plan.setHolding({ slide, block });
		await plan.plan();
	}
	await plan.write(plan.laid(over, notes, air));
	toast(`“${incoming.name}” stands in the line.`, {
		action: { label: 'Undo', onClick: () => plan.undo() }
	});
}

/** The picked notes, or all of this way, become a motif. */
export async function catchNotes({ open, plan, selection }: RouteParts): Promise<void> {
	if (plan.line.length === 0) return;
	if (selection.size === 0) selection.pickWay();
	const { catchMotif } = await fetched(() => import('./motif-catcher'));
	const motif = catchMotif(selection.notes, open.chart, plan.scales, 'role');
	if (!motif) return;
	const symbol = open.chart.events[selection.notes[0].chord]?.symbol ?? '';
	open.caught = { name: `From ${proseSigns(symbol)}`, motif };
	await goto(`/tunes/${open.saved.id}/phrase?position=${open.position}`);
}

/** Everything is taken off the strip, to be written by hand from the start. */
export async function beginEmpty({ open, plan, selection, writer }: RouteParts): Promise<void> {
	const to = chartTicks(open.chart);
	await plan.write(waysOver(open.chart, [], { from: 0, to }, []));
	selection.clear();
	open.cursor = 0;
	writer.start();
}
