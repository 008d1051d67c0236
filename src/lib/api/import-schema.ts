import { z } from 'zod';

/** What came out of one file. Ids are null where nothing was stored. */
const importedFile = z.object({
	name: z.string(),
	kind: z.string().describe('What the file was read as'),
	understood: z.array(z.string()),
	leftOut: z.array(z.string())
});

export const importInput = z.strictObject({
	name: z.string().min(1).max(255).describe('Its ending says what the text is'),
	text: z.string().max(1024 * 1024),
	tuneId: z.uuid().optional().describe('The tune that a line without chords belongs to')
});

export const importAnswer = z.object({
	tunes: z.array(z.object({ id: z.uuid().nullable(), title: z.string() })),
	routes: z.array(z.object({ id: z.uuid().nullable(), name: z.string() })),
	motifs: z.array(z.object({ id: z.uuid().nullable(), name: z.string() })),
	warnings: z.array(z.string()),
	files: z.array(importedFile)
});
export type ImportAnswer = z.infer<typeof importAnswer>;
