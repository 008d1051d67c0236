import { touch } from '$lib/audio/touch';
import { prefs } from './prefs.svelte';

/** Sounds a note that was touched, where the player wants to hear it. */
export function hear(midi: number | undefined): void {
	if (midi !== undefined && prefs.current.hearNotes) touch(midi);
}
