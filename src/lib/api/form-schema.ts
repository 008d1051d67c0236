import { parseKey, suggestKey } from '$core/chart';
import { parseTuning } from '$core/neck';
import * as z from 'zod/mini';
import { degreesText, instrumentRecord, tuningText } from './own-schema';
import { isStorable, UNSTORABLE } from './storable';

/** What is typed into forms, where that is not yet what is kept: lists as text, one line alone. */

const labelsOf = (text: string) => (text.trim() === '' ? [] : text.trim().split(/[\s,]+/));

/** An own instrument; the labels of its strings are typed in one line. */
export const instrumentForm = z
	.strictObject({
		...instrumentRecord.shape,
		labels: z.string().check(
			z.maxLength(80, 'At most 80 letters.'),
			z.refine(isStorable, UNSTORABLE),
			z.refine(
				(text) => labelsOf(text).every((label) => label.length <= 4),
				'At most 4 letters a label.'
			)
		)
	})
	.check(
		z.superRefine(({ tuning, labels }, context) => {
			const strings = parseTuning(tuning)?.open.length ?? 0;
			const count = labelsOf(labels).length;
			if (strings === 0 || count === 0 || count === strings) return;
			context.addIssue({
				code: 'custom',
				path: ['labels'],
				message: `This tuning has ${strings} strings; give as many labels, or none.`
			});
		})
	);

const oneLine = <T extends z.ZodMiniType<string, string>>(line: T) => z.strictObject({ line });

export const tuningForm = oneLine(tuningText);
export const degreesForm = oneLine(degreesText);
export const titleForm = oneLine(
	z
		.string()
		.check(
			z.trim(),
			z.minLength(1, 'Give it a title.'),
			z.maxLength(200, 'At most 200 letters.'),
			z.refine(isStorable, UNSTORABLE)
		)
);

/** A key as it is written in a chart. */
export const keyForm = oneLine(
	z.string().check(
		z.maxLength(60, 'At most 60 letters.'),
		z.superRefine((text, context) => {
			if (parseKey(text)) return;
			const meant = suggestKey(text);
			const help = meant
				? `did you mean ${meant}?`
				: 'write a note and, if it is not major, a mode: F# minor, Bb blues, D dorian.';
			context.addIssue({ code: 'custom', message: `“${text}” is not a key: ${help}` });
		})
	)
);

/** What opens a guarded notebook. */
export const loginForm = z.strictObject({
	passphrase: z
		.string()
		.check(z.minLength(1, 'Give the passphrase.'), z.maxLength(1024, 'At most 1,024 letters.'))
});
