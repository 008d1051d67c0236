import * as z from 'zod/mini';
import { Kept } from './kept.svelte';
import { CLICK_BEATS, CHORD_VOICES, type Click } from '$core/band';
import type { Faders } from '$lib/audio/desk';

const fader = (muted: boolean) =>
	z.catch(
		z.object({
			level: z.number().check(z.minimum(0), z.maximum(1)),
			muted: z.boolean(),
			solo: z.boolean()
		}),
		{ level: 0.8, muted, solo: false }
	);

const schema = z.object({
	faders: z.catch(
		z.object({
			drums: fader(false),
			bass: fader(false),
			chords: fader(false),
			line: fader(false),
			click: fader(true)
		}),
		{
			drums: { level: 0.8, muted: false, solo: false },
			bass: { level: 0.8, muted: false, solo: false },
			chords: { level: 0.8, muted: false, solo: false },
			line: { level: 0.8, muted: false, solo: false },
			click: { level: 0.8, muted: true, solo: false }
		}
	),
	clickBeats: z.catch(z.enum(CLICK_BEATS), 'every'),
	clickParts: z.catch(z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]), 1),
	clickAccents: z.catch(z.boolean(), true),
	countIn: z.catch(z.union([z.literal(0), z.literal(1), z.literal(2)]), 1),
	/** How many beats ahead the next chord is announced; 0 leaves it to the eye. */
	announce: z.catch(z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(4)]), 2),
	speak: z.catch(z.boolean(), false),
	/** Who plays the chords; by the feel where it says auto. */
	voice: z.catch(z.enum(['auto', ...CHORD_VOICES]), 'auto'),
	/** Share of a beat that its first half takes; 0 leaves it to the feel. */
	swing: z.catch(z.number().check(z.minimum(0), z.maximum(75)), 0)
});
type Stored = z.infer<typeof schema>;

/** How the band sounds to this player, kept in this browser. */
class SoundPreferences extends Kept<Stored> {
	constructor() {
		super('arc-step-sound', (stored) => schema.parse(stored));
	}

	setFader(part: keyof Faders, change: Partial<Faders[keyof Faders]>): void {
		this.current.faders[part] = { ...this.current.faders[part], ...change };
		this.keep();
	}

	get click(): Click {
		const { clickBeats, clickParts, clickAccents } = this.current;
		return { beats: clickBeats, subdivision: clickParts, accents: clickAccents };
	}

	/** A plain copy for the engine and for workers. */
	get faders(): Faders {
		return $state.snapshot(this.current.faders);
	}
}

export const soundPrefs = new SoundPreferences();
