import { fileURLToPath } from 'node:url';
import { bankOf, type Bank } from './bank';

const root = fileURLToPath(new URL('../../..', import.meta.url));

/** The sounds as the build takes them out of the sound font. */
export async function testBank(): Promise<Bank> {
	const script = `${root}scripts/sounds.mjs`;
	const { readSounds } = (await import(/* @vite-ignore */ script)) as {
		readSounds: (root: string) => { zones: unknown; samples: Int16Array<ArrayBuffer> };
	};
	const { zones, samples } = readSounds(root);
	return bankOf(zones, samples.buffer);
}
