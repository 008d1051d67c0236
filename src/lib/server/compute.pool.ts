import { analyze, plan } from './compute-jobs';

export * from './compute-jobs';

// The first plan in a cold engine is many times slower than the next: a thread that begins takes it upon itself.
const FIRST = 'key: Bb blues\n| Bb7 | Eb7 | Cm7 F7 | G7alt |';
if (!process.env.ARC_STEP_COLD) {
	for (const grid of ['eighth', 'sixteenth'] as const) {
		plan({ chart: FIRST, position: 6, style: 'guide-tones', grid });
	}
	analyze({ chart: FIRST });
}
