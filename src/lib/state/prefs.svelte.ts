import { proseSigns, signs, type Role } from '$core/chord';
import { parseNote, simpleName, type Notation } from '$core/pitch';
import * as z from 'zod/mini';
import { Kept } from './kept.svelte';

const schema = z.object({
	labels: z.catch(z.enum(['names', 'roles']), 'names'),
	plainNames: z.catch(z.boolean(), false),
	thinStringOnTop: z.catch(z.boolean(), true),
	leftHanded: z.catch(z.boolean(), false),
	singleKeys: z.catch(z.boolean(), true),
	/** What is needed less often stands beside the rest. */
	more: z.catch(z.boolean(), false),
	/** What stands under a chord in the bars of a chart. */
	chartLine: z.catch(z.enum(['numerals', 'tones']), 'numerals'),
	/** What the neck shows: the scale as dashes, the sounding chord, the coming one, fingers. */
	layerScale: z.catch(z.boolean(), true),
	layerNow: z.catch(z.boolean(), true),
	layerNext: z.catch(z.boolean(), true),
	layerFingers: z.catch(z.boolean(), false),
	/** A short plucked tone for a note that is touched. */
	hearNotes: z.catch(z.boolean(), true),
	/** Strokes of the pick in tab, and how the line is shown under the overview. */
	picking: z.catch(z.enum(['none', 'alternate', 'economy']), 'none'),
	routeView: z.catch(z.enum(['strip', 'tab', 'notation']), 'strip')
});
type Stored = z.infer<typeof schema>;

/** A note name that stands alone in a sentence. */
const NOTE_IN_TEXT = /(?<![A-Za-z/♭♯])[A-G](?:bb|b|##|#)(?![A-Za-z0-9#(/])/g;
const simpleIn = (name: string): string => {
	const note = parseNote(name);
	return note ? simpleName(note) : name;
};

/** What the player likes, kept in this browser. */
class Preferences extends Kept<Stored> {
	constructor() {
		super('arc-step-preferences', (stored) => schema.parse(stored));
	}

	toggle(key: { [K in keyof Stored]: Stored[K] extends boolean ? K : never }[keyof Stored]): void {
		this.set(key, !this.current[key]);
	}

	/** The label inside a mark: the role or the note's name, as chosen. Signs, not ASCII. */
	label(tone: {
		readonly role: Role | Notation;
		readonly name: Notation;
		readonly pc: number;
	}): string {
		if (this.current.labels === 'roles') return signs(tone.role);
		return this.name(tone.name);
	}

	/** A note's name, plain (E for F♭) when the player wants that. */
	name(name: Notation): string {
		const note = this.current.plainNames ? parseNote(name) : null;
		return signs(note ? simpleName(note) : name);
	}

	/** A sentence with its note names set, plain ones when the player wants that; chord symbols stay. */
	prose(text: string): string {
		if (!this.current.plainNames) return proseSigns(text);
		return proseSigns(text.replace(NOTE_IN_TEXT, (name) => simpleIn(name)));
	}
}

export const prefs = new Preferences();
