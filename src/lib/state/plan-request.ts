import { noteName } from '$core/pitch';
import type { Scale } from '$core/harmony';
import { anchorOf, blendScale, sameAnchor, scalesAlong } from '$core/route';
import { instrumentInputOf } from '$lib/api/resolve';
import type { RouteRequest } from '$lib/api/route';
import { scalesOf } from '$lib/api/route-anchors';
import type { Anchors, Wishes } from '$lib/api/route-schema';
import type { OpenTune } from './open-tune.svelte';

/** What is fixed, with the scales that the player has chosen for single chords on the neck. */
export function boundAnchors({ chart, chordScales }: OpenTune, anchors: Anchors): Anchors {
	const chosen = chart.changes.flatMap((change) => {
		const scale = chordScales.of(change.to.symbol);
		return scale ? [{ ...anchorOf(change), tonic: noteName(scale.tonic), name: scale.name }] : [];
	});
	const kept = anchors.scales.filter((entry) => !chosen.some((other) => sameAnchor(entry, other)));
	return { ...anchors, scales: [...kept, ...chosen] };
}

/** The request that a route's wishes make of the open tune. */
export function requestOf(open: OpenTune, wishes: Wishes): RouteRequest {
	const { saved, player, chart } = open;
	const { position, style, line } = wishes;
	const instrument = instrumentInputOf(chart, player.instruments, player.hand);
	const route = { position, style, anchors: boundAnchors(open, wishes.anchors), line };
	return { chart: saved.chart, instrument, route };
}

/** The scale that each event of the open tune draws on under a route's wishes. */
export function scalesUnder(open: OpenTune, { style, line, anchors }: Wishes): (Scale | null)[] {
	const { chart, scale } = open;
	const used = style === 'blend' ? blendScale(chart, scale) : scale;
	const byHand = scalesOf(chart, boundAnchors(open, anchors), line);
	return scalesAlong(chart, used, line.scalePlan, byHand, line.alternate);
}
