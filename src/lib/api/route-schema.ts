import {
	ALSO,
	APPROACHES,
	COLOURS,
	GRIDS,
	LANDS,
	LEANS,
	SCALE_PLANS,
	STYLES,
	TECHNIQUES
} from '$core/route';
// Named one by one: taken out of the namespace they would bring all of the library to the page.
import * as z from 'zod/mini';
import { describe, gte, lte, maxLength } from 'zod/mini';
import { isStorable, UNSTORABLE } from './storable';

/**
 * A route’s wishes: the one schema that requests, drafts in the browser, defaults, documents and backups are made
 * from. In the small form of the library, because the route screen and the planner’s worker read it too.
 */

const int = (least: number, most: number) => z.int().check(gte(least), lte(most));
const text = (most: number) => z.string().check(maxLength(most));
const MOST_TICKS = 2 ** 31;
/** Entries of a list of anchors: one a change of the longest chart. */
const MOST_ANCHORS = 4096;

/** The shape of a place on the neck. */
export const PLACE = {
	string: int(1, 8).check(describe('1 is the thinnest')),
	fret: int(0, 24).check(describe('Counted from the capo'))
};

/** The shape of a change as it is written, so that it survives edits of the chart. */
export const ANCHOR = {
	bar: int(1, 512).check(describe('Written bar, from 1')),
	beat: z.number().check(gte(1), lte(16)),
	pass: int(1, 4096).check(describe('Which time the written bar is played, from 1'))
};

const ticks = int(0, MOST_TICKS);
const section = text(120);
const finger = int(1, 4);

/** What the IV and the V take where two pentatonics alternate. */
const pentatonic = z.nullable(z.enum(['major', 'minor']));
export const alternateInput = z.strictObject({
	one: z.optional(pentatonic),
	four: pentatonic,
	five: pentatonic,
	same: z
		.optional(z.boolean())
		.check(describe('They do not change places the second time that a bar is played'))
});

/** How a note is played (see `Playing`). */
export const PLAYING = {
	technique: z
		.optional(z.nullable(z.enum(TECHNIQUES)))
		.check(describe('How it is played, null is struck; left out it is for the hand to say')),
	also: z
		.optional(z.readonly(z.array(z.enum(ALSO)).check(maxLength(ALSO.length))))
		.check(describe('What else is done with it')),
	bend: z
		.optional(int(1, 4))
		.check(describe('Semitones that it is bent up by from its place; a quarter tone is a curl')),
	trill: z
		.optional(int(1, 4))
		.check(
			describe('Semitones up to the other note of its trill; the scale’s neighbour where left out')
		),
	grace: z.optional(int(0, 24)).check(describe('Fret of a grace note before it, on its string'))
};

const ownNote = z.strictObject({
	...PLACE,
	offset: int(0, MOST_TICKS).check(describe('Ticks after the change')),
	durationTicks: int(1, MOST_TICKS),
	finger: z.optional(z.nullable(finger)),
	...PLAYING
});

const anchored = <T extends z.core.$ZodLooseShape>(shape: T) =>
	z.array(z.strictObject({ ...ANCHOR, ...shape })).check(maxLength(MOST_ANCHORS));

export const anchorsInput = z.strictObject({
	locks: anchored(PLACE),
	letPass: anchored({
		own: z
			.optional(z.boolean())
			.check(describe('Left to the player’s own notes: no landing is planned, but it is judged'))
	}),
	forbid: z
		._default(z.array(z.strictObject(PLACE)).check(maxLength(256)), [])
		.check(describe('Places of the neck that no landing takes')),
	frozen: z
		._default(anchored({ notes: z.array(ownNote).check(maxLength(1024)) }), [])
		.check(
			describe(
				'Ways from a change to the next whose notes are the player’s own: anywhere on the neck, several at a time'
			)
		),
	fingers: z
		._default(anchored({ ...PLACE, offset: ticks, finger }), [])
		.check(describe('The player’s own finger for a note that is planned after a change')),
	arrive: z
		._default(anchored({ approach: z.enum(APPROACHES) }), [])
		.check(describe('How to arrive at a change')),
	leans: z
		._default(anchored({ wish: z.enum(LEANS) }), [])
		.check(describe('Whether a landing should rest or lean')),
	scales: z
		._default(anchored({ tonic: text(4), name: text(80) }), [])
		.check(describe('The scale over a chord, set by hand'))
});
export type Anchors = z.infer<typeof anchorsInput>;

const cell = z.string().check(z.minLength(1), maxLength(256));

/** How the way between landings is filled, and how the neck is held. */
export const lineSettings = z.strictObject({
	grid: z._default(z.enum(GRIDS), 'targets'),
	scalePlan: z._default(z.enum(SCALE_PLANS), 'one'),
	alternate: z
		._default(alternateInput, { four: null, five: null })
		.check(describe('What the IV and the V take where two pentatonics alternate')),
	only: z
		._default(z.boolean(), false)
		.check(describe('The notes of the scale alone, landings too')),
	cell: z._default(cell, 'steady').check(describe('A rhythm cell: its id, or one bar of x - .')),
	cells: z
		._default(z.array(z.strictObject({ section, cell })).check(maxLength(128)), [])
		.check(describe('Cells of single sections')),
	anticipate: z._default(z.boolean(), false),
	spice: z._default(z.number().check(gte(0), lte(1)), 0.4),
	seed: z._default(int(0, 0x7fffffff), 0),
	direction: z._default(z.nullable(z.enum(['up', 'down'])), null),
	colours: z
		._default(z.enum(COLOURS), 'lean')
		.check(describe('What a colour of the scale is at a change of an own line')),
	roam: z._default(
		z.nullable(
			z.strictObject({
				frets: int(1, 24),
				wish: z.nullable(z.enum(['climb', 'stay', 'descend']))
			})
		),
		null
	),
	land: z
		._default(z.enum(LANDS), 'change')
		.check(
			describe('On the changes alone, or on a chord that goes on also every bar or every second')
		),
	beat: z
		._default(z.nullable(int(1, 16)), null)
		.check(describe('The beat of its bar that a landing waits for; null for the change itself')),
	top: z
		._default(z.boolean(), false)
		.check(describe('Lands where a repeat begins again, though its chord goes on')),
	home: z
		._default(z.boolean(), false)
		.check(describe('Lands on the tonic of home, whatever the chord')),
	hand: z
		._default(
			z
				.array(z.strictObject({ bar: int(1, 512), position: z.nullable(int(1, 24)) }))
				.check(maxLength(512)),
			[]
		)
		.check(describe('Where the hand is from a written bar on; null where it was without this')),
	scales: z
		._default(
			z
				.array(
					z.strictObject({
						bar: int(1, 512),
						beat: z._default(z.number().check(gte(1), lte(16)), 1),
						scale: z.nullable(z.strictObject({ tonic: text(4), name: text(80) }))
					})
				)
				.check(maxLength(512)),
			[]
		)
		.check(
			describe('The scale from a written bar and beat on; null for what stood there without this')
		),
	slide: z
		._default(z.union([z.literal(0), z.literal(1), z.literal(2)]), 0)
		.check(describe('Frets that a slide lies on at a time; 0 is played with the fingers')),
	block: z._default(z.boolean(), false).check(describe('The hand moves with each chord’s root')),
	talk: z
		._default(
			z
				.array(z.strictObject({ section: z.nullable(section), play: int(1, 16), air: int(0, 16) }))
				.check(maxLength(128)),
			[]
		)
		.check(
			describe(
				'Call and answer: bars played, then bars of air; null for sections without their own'
			)
		),
	places: z
		._default(z.array(z.strictObject({ section, position: int(1, 24) })).check(maxLength(128)), [])
		.check(describe('Where the hand is in single sections, where it does not roam'))
});
export type LineSettings = z.infer<typeof lineSettings>;

/** Everything that the player wishes of a route; a draft may still be without a name. */
export const wishesInput = z.strictObject({
	name: text(120),
	position: int(1, 24),
	style: z.enum(STYLES),
	line: z.prefault(lineSettings, {}),
	anchors: anchorsInput
});
export type Wishes = z.infer<typeof wishesInput>;

/** A route as it is kept. */
export const routeInput = z.strictObject({
	...wishesInput.shape,
	name: z.string().check(z.trim(), z.minLength(1), maxLength(120), z.refine(isStorable, UNSTORABLE))
});
export type RouteInput = z.infer<typeof routeInput>;

/** Nothing is fixed. */
export const NO_ANCHORS: Anchors = anchorsInput.parse({ locks: [], letPass: [] });

/** Landings alone. */
export const NO_LINE: LineSettings = lineSettings.parse({});

/** What a first route is planned with: a line in eighths that breathes after each landing. */
const FIRST_LINE: LineSettings = { ...NO_LINE, grid: 'eighth', cell: 'breath' };

/** What a route begins with: a line in eighths over guide tones, nothing fixed. */
export const firstWishes = (position: number): Wishes => ({
	name: '',
	position,
	style: 'guide-tones',
	line: FIRST_LINE,
	anchors: NO_ANCHORS
});

/** The wishes that a saved route was made from. */
export const wishesOf = ({ name, position, style, line, anchors }: Wishes): Wishes => ({
	...{ name, position, style, line, anchors }
});
