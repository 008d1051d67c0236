import type { RouteAnswer, RouteInput } from '$lib/api/notebook-schema';
import { FIRST_LINE, NO_ANCHORS } from '$lib/api/route-defaults';

/** What the player decides about a route; everything else follows from it. */
export type Wishes = Pick<RouteInput, 'name' | 'position' | 'style' | 'line' | 'anchors'>;

/** What a route begins with: a line in eighths over guide tones, nothing fixed. */
export const firstWishes = (position: number): Wishes => ({
	name: '',
	position,
	style: 'guide-tones',
	line: FIRST_LINE,
	anchors: NO_ANCHORS
});

/** The wishes that a saved route was made from. */
export const wishesOf = ({ name, position, style, line, anchors }: RouteAnswer): Wishes => ({
	name,
	position,
	style,
	line,
	anchors
});
