/** Samples of a look at the energy. */
export const HOP = 128;
/** Looks that are averaged to learn the noise. */
const LOOKS = 16;
/** An attack is so much louder than anything in the last 18 ms, which is more than a period of a low string. */
const ATTACK = 1.6;
const BEFORE_SECONDS = 0.018;
/** How far over the noise a note must stand, and under which level nothing is heard at all. */
const OVER_FLOOR = 3.2;
export const LEAST = 6e-4;

/** One measure of loudness from look to look: its noise, and whether it leaps. */
export class Energy {
	floor = LEAST;
	private readonly recent: number[] = [];
	private readonly groups: number[] = [];
	private sum = 0;
	private count = 0;

	constructor(private readonly rate: number) {}

	/** Takes one look in. @returns true when it is an attack: far louder than all of the last moments */
	takes(energy: number): boolean {
		const { recent } = this;
		let before = 0;
		for (const one of recent) if (one > before) before = one;
		recent.push(energy);
		if (recent.length > (BEFORE_SECONDS * this.rate) / HOP) recent.shift();
		this.learn(energy);
		return energy > ATTACK * before && energy > Math.max(LEAST, this.floor * OVER_FLOOR);
	}

	/** The noise is what is left in the quietest moments of the last second and a half. */
	private learn(energy: number): void {
		this.sum += energy;
		if (++this.count < LOOKS) return;
		this.groups.push(this.sum / LOOKS);
		if (this.groups.length > (1.5 * this.rate) / HOP / LOOKS) this.groups.shift();
		this.floor = Math.min(...this.groups);
		[this.sum, this.count] = [0, 0];
	}
}
