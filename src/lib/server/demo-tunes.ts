import type { RouteInput } from '../api/route-schema';

/** The notebook of the Lowwater Lanterns' lead guitarist: a set of eight tunes, some of them planned. */
type DemoTune = {
	readonly chart: string;
	readonly routes: readonly (Pick<RouteInput, 'name' | 'position' | 'style'> & {
		readonly line: Partial<RouteInput['line']>;
	})[];
};

export const DEMO_SET = {
	name: 'Thursday on the Corvane',
	note: 'the Lowwater Lanterns, eight tunes'
} as const;

export const DEMO_TUNES: readonly DemoTune[] = [
	{
		chart: `title: Tin Roof Ferry
key: Bb blues
time: 4/4
tempo: 104
feel: shuffle

[Head]
| Bb7 | Eb7 | Bb7 | % |
| Eb7 | Edim7 | Bb7 | G7alt |
| Cm7 | F7 | Bb7 G7 | Cm7 F7 |
`,
		routes: [
			{ name: 'Position 1, roots', position: 1, style: 'roots', line: {} },
			{
				name: 'Position 6, guide tones',
				position: 6,
				style: 'guide-tones',
				line: { grid: 'eighth', cell: 'breath' }
			}
		]
	},
	{
		chart: `title: Nettle Tea
key: F# minor
tempo: 88
feel: straight

[Loop]
| F#m | D | E | C#7 |
`,
		routes: [
			{
				name: 'Position 9, guide tones',
				position: 9,
				style: 'guide-tones',
				line: { grid: 'eighth' }
			}
		]
	},
	{
		chart: `title: Two Harbours
key: Eb
tempo: 76
feel: straight

// two keys, a cell moves with the root
[Harbour to harbour]
| Eb | % | B | % |
`,
		routes: []
	},
	{
		chart: `title: Glass Buoy
key: Db lydian
tempo: 69
feel: ballad

// home is the bass note
[Vamp]
| Db | Eb/Db | Bbm7/Db | Eb/Db |
`,
		routes: []
	},
	{
		chart: `title: Ladder to the Lamp
key: Ab
tempo: 132
feel: swing

[Up the ladder]
| Bbm7 Eb7alt | Abmaj7 F7alt | Bbm7 Eb7b9 | Abmaj7 F7#9 |
[The lamp]
| Cm7 F7alt | Bbm7 Eb7alt | Abmaj7 F7b9b13 | Bbm7 Eb7alt |
`,
		routes: [
			{ name: 'Position 4, nearest', position: 4, style: 'nearest', line: { grid: 'eighth' } }
		]
	},
	{
		chart: `title: Rope and Tar
key: D blues
tempo: 92
feel: straight
tuning: D2 A2 D3 F#3 A3 D4

[Slide]
| D7 | % | G7 | D7 |
| A7 | G7 | D7 | A7 |
`,
		routes: []
	},
	{
		chart: `title: Marsh Waltz
key: G minor
time: 3/4
tempo: 120
feel: waltz

[Waltz]
| Gm6 | Am7b5 | D7b9 | Gm6 |
| Cm6 | Gm6 | Am7b5 | D7b9 |
| Ebmaj7 | Cm7 | Am7b5 | D7b9 |
| Gm6 | Am7b5 | D7b9 | Gm6 |
`,
		routes: []
	},
	{
		chart: `title: Pylon Song
key: F mixolydian
tempo: 98
feel: sixteenths

[Vamp]
| F9 | % | F9 | % |
| F9 | % | <Eb9 | F9 |
`,
		routes: []
	}
];
