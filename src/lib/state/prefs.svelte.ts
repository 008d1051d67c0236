import { browser } from '$app/environment';
import { plainName } from '$core/pitch';
import { signs } from '$core/chord';
import * as z from 'zod/mini';

const schema = z.object({
	labels: z.catch(z.enum(['names', 'roles']), 'names'),
	plainNames: z.catch(z.boolean(), false),
	thinStringOnTop: z.catch(z.boolean(), true),
	leftHanded: z.catch(z.boolean(), false),
	singleKeys: z.catch(z.boolean(), true),
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

const STORE = 'arc-step-preferences';

/** What the player likes, kept in this browser. */
class Preferences {
	current: Stored = $state(schema.parse({}));

	/** Reads the stored choices; call once in the browser. */
	load(): void {
		if (!browser) return;
		try {
			this.current = schema.parse(JSON.parse(localStorage.getItem(STORE) ?? '{}'));
		} catch {
			this.current = schema.parse({});
		}
	}

	set<K extends keyof Stored>(key: K, value: Stored[K]): void {
		this.current[key] = value;
		if (browser) localStorage.setItem(STORE, JSON.stringify(this.current));
	}

	toggle(key: { [K in keyof Stored]: Stored[K] extends boolean ? K : never }[keyof Stored]): void {
		this.set(key, !this.current[key]);
	}

	/** The label inside a mark: the role or the note's name, as chosen. Signs, not ASCII. */
	label(tone: { readonly role: string; readonly name: string; readonly pc: number }): string {
		if (this.current.labels === 'roles') return tone.role === 'bass' ? 'B' : signs(tone.role);
		return this.name(tone.name, tone.pc);
	}

	/** A note's name, plain (E for F♭) when the player wants that. */
	name(name: string, pc: number): string {
		return signs(this.current.plainNames ? plainName(pc) : name);
	}
}

export const prefs = new Preferences();
