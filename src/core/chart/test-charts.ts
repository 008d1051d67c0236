import { type Chart } from './';

export const FERRY = `title: Tin Roof Ferry
key: Bb blues
time: 4/4
tempo: 104
feel: shuffle

[Head]
| Bb7 | Eb7 | Bb7 | % |
| Eb7 | Edim7 | Bb7 | G7alt |
| Cm7 | F7 | Bb7 G7 | Cm7 F7 |`;

/** Chords as `symbol@bar.beat`, silences included. */
export const layout = (chart: Chart): string =>
	chart.events.map((event) => `${event.symbol}@${event.bar}.${event.beat}`).join(' ');
