import { ALLOWED_NOTES, LADDER, LANDINGS, PRESETS } from '$core/practice';
import { COLOURS, GRIDS } from '$core/route';
import * as z from 'zod/mini';
import { wholeFrom } from './whole';

const optionally = <T extends z.ZodMiniType>(inner: T, says: string) =>
	z.optional(inner).check(z.describe(says));
const bar = (low: number, high: number) => wholeFrom(low, high, 'Give a bar of the tune.');

/** How a drill is judged besides landing. */
export const rulesInput = z.strictObject({
	notes: optionally(z.enum(ALLOWED_NOTES), 'Notes that are allowed'),
	grid: optionally(z.enum(GRIDS), 'Where notes may be struck; "targets": on changes alone'),
	position: optionally(z.int(), 'The fret of the index finger; the hand stays there'),
	strings: optionally(
		z.array(z.int().check(z.gte(1), z.lte(8))).check(z.minLength(1), z.maxLength(8)),
		'1 is the thinnest'
	),
	landOn: z.optional(z.enum(LANDINGS)),
	letPass: optionally(
		z.array(z.int().check(z.gte(0))).check(z.maxLength(4096)),
		'Changes that are not asked for'
	),
	restBars: optionally(
		z.array(z.int().check(z.gte(1))).check(z.maxLength(2048)),
		'Bars as played, from 1, that are left to the others'
	),
	fret: optionally(wholeFrom(0, 24, 'A fret from 0 to 24.'), 'The one fret that is played'),
	colours: optionally(
		z.enum(COLOURS),
		'What a colour of the scale is at a change; a miss where left out'
	)
});

export const rangeInput = z
	.nullable(
		z
			.strictObject({ from: bar(0, 2047), to: bar(1, 2048) })
			.check(z.refine(({ from, to }) => from < to, 'A range ends after it begins.'))
	)
	.check(
		z.describe('Bars as played: from (0 is the first) up to, not including; null is the whole')
	);

const { tempo, step, up } = LADDER;
const rung = wholeFrom(tempo.least, tempo.most, `A tempo from ${tempo.least} to ${tempo.most}.`);

/** A drill as it is kept with a card and with every take. */
export const drillInput = z.strictObject({
	preset: z.nullable(z.enum(PRESETS)),
	range: rangeInput,
	routeId: z.nullable(z.uuid()),
	position: wholeFrom(1, 24, 'A position from 1 to 24.'),
	key: z
		.nullable(z.string().check(z.regex(/^[A-G](bb|b|##|#)?$/)))
		.check(z.describe('Tonic that the tune is moved to; null as written')),
	rules: rulesInput,
	loops: wholeFrom(1, 16, 'From 1 to 16 times.'),
	ladder: z
		.strictObject({
			start: rung,
			step: wholeFrom(step.least, step.most, `From ${step.least} to ${step.most}.`),
			ceiling: rung,
			up: wholeFrom(up.least, up.most, `From ${up.least} to ${up.most}.`)
		})
		.check(
			z.refine(({ start, ceiling }) => start <= ceiling, 'A ladder starts at or under its ceiling.')
		)
});
