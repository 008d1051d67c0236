import { fetched } from '$lib/state/fetched';
import type { Faders } from '$lib/audio/desk';
import type { Sounding } from '$lib/audio/open-engine';

/** One audio for all tunes of this page; opened with the first note. */
let sounding: Promise<Sounding> | null = null;

/** The audio of this page, awake; call it out of a key or a click. Throws where there is none: see `noSound`. */
export async function openSound(faders: Faders): Promise<Sounding> {
	sounding ??= fetched(() => import('$lib/audio/open-engine')).then(({ openEngine }) =>
		openEngine(faders)
	);
	const audio = await sounding;
	await audio.wake();
	return audio;
}

/** Why nothing sounds, in words; the next try begins afresh. */
export function noSound(error: unknown): string {
	sounding = null;
	return error instanceof Error && error.message.includes('sounds')
		? 'The sounds did not load. Look at the connection and press play again.'
		: 'This browser gives no sound. Try another one, or another output.';
}
