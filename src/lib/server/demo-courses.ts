import type { Preset } from '$core/practice';

/** What is practised in the made-up log, and how well it goes. */
export type Course = {
	readonly tune: string;
	readonly preset: Preset;
	readonly position: number;
	readonly key?: string;
	readonly fret?: number;
	/** Tempo up to which it goes well before the first day, and what a take adds to it. */
	readonly comfort: number;
	readonly gain: number;
	/** Share of landings that go wrong at any tempo. */
	readonly weak?: number;
	/** Days before today, and takes on each of them. */
	readonly days: readonly (readonly [ago: number, takes: number])[];
};

/** Six weeks of evenings. Position 11 and the key of D flat stay weak. */
export const COURSES: readonly Course[] = [
	{
		tune: 'Tin Roof Ferry',
		preset: 'roots',
		position: 1,
		comfort: 78,
		gain: 2.2,
		days: [
			[41, 3],
			[38, 2],
			[34, 3],
			[27, 2],
			[16, 2],
			[9, 2]
		]
	},
	{
		tune: 'Tin Roof Ferry',
		preset: 'guide-tones',
		position: 6,
		comfort: 69,
		gain: 1,
		days: [
			[36, 2],
			[30, 3],
			[24, 3],
			[20, 2],
			[13, 3],
			[8, 2],
			[4, 3],
			[1, 3]
		]
	},
	{
		tune: 'Tin Roof Ferry',
		preset: 'guide-tones',
		position: 10,
		comfort: 66,
		gain: 1,
		days: [
			[18, 2],
			[11, 2]
		]
	},
	{
		tune: 'Nettle Tea',
		preset: 'guide-tones',
		position: 9,
		comfort: 62,
		gain: 2.4,
		days: [
			[40, 3],
			[35, 2],
			[28, 2],
			[17, 2],
			[6, 2]
		]
	},
	{
		tune: 'Nettle Tea',
		preset: 'arpeggios',
		position: 2,
		comfort: 60,
		gain: 2.6,
		days: [
			[26, 2],
			[19, 2],
			[10, 2],
			[1, 3]
		]
	},
	{
		tune: 'Two Harbours',
		preset: 'roots',
		position: 6,
		comfort: 58,
		gain: 3.4,
		days: [
			[37, 2],
			[29, 2],
			[15, 3],
			[5, 2]
		]
	},
	{
		tune: 'Glass Buoy',
		preset: 'guide-tones',
		position: 11,
		comfort: 40,
		gain: 0.2,
		weak: 0.62,
		days: [
			[33, 2],
			[25, 2],
			[14, 2],
			[7, 1],
			[2, 2]
		]
	},
	{
		tune: 'Glass Buoy',
		preset: 'roots',
		position: 6,
		comfort: 44,
		gain: 0.8,
		weak: 0.16,
		days: [
			[39, 2],
			[21, 2],
			[12, 1]
		]
	},
	{
		tune: 'Ladder to the Lamp',
		preset: 'guide-tones',
		position: 4,
		comfort: 86,
		gain: 1.2,
		days: [
			[32, 2],
			[23, 2],
			[15, 2],
			[1, 2]
		]
	},
	{
		tune: 'Ladder to the Lamp',
		preset: 'guide-tones',
		position: 4,
		key: 'Db',
		comfort: 60,
		gain: 0.2,
		weak: 0.56,
		days: [
			[22, 2],
			[13, 1],
			[3, 2]
		]
	},
	{
		tune: 'Rope and Tar',
		preset: 'free',
		position: 5,
		fret: 5,
		comfort: 60,
		gain: 3,
		days: [
			[31, 2],
			[24, 2],
			[10, 2]
		]
	},
	{
		tune: 'Marsh Waltz',
		preset: 'guide-tones',
		position: 3,
		comfort: 82,
		gain: 1.6,
		weak: 0.05,
		days: [
			[30, 2],
			[18, 2],
			[3, 2]
		]
	},
	{
		tune: 'Pylon Song',
		preset: 'roots',
		position: 8,
		comfort: 70,
		gain: 2.6,
		days: [
			[28, 2],
			[16, 2],
			[7, 2]
		]
	}
];
