import { clamp } from '$core/kernel';
import { SKILLS, type Skill, type SkillName } from '$core/practice';

/** Bounds of each skill as it is set by hand: ms, shares, a number. */
export const SKILL_BOUNDS = {
	spreadMs: { least: 0, most: 200 },
	biasMs: { least: -200, most: 200 },
	wrongShare: { least: 0, most: 1 },
	silentShare: { least: 0, most: 1 },
	hesitationMs: { least: 0, most: 200 },
	seed: { least: 1, most: 1_000_000 }
} as const satisfies Record<keyof Skill, { least: number; most: number }>;

/** How well the simulated player plays: one of those that ship with the app, or set by hand. */
export class SimulatedPlayer {
	skill: Skill = $state.raw(SKILLS.steady);
	/** The skill as it ships; null where it was set by hand. */
	readonly name: SkillName | null = $derived.by(() => {
		const names = Object.keys(SKILLS) as SkillName[];
		const same = (name: SkillName) =>
			(Object.keys(SKILL_BOUNDS) as (keyof Skill)[]).every(
				(part) => part === 'seed' || SKILLS[name][part] === this.skill[part]
			);
		return names.find(same) ?? null;
	});

	choose(name: SkillName): void {
		this.skill = { ...SKILLS[name], seed: this.skill.seed };
	}

	/** Sets one part, within its bounds. */
	set(part: keyof Skill, value: number): void {
		if (!Number.isFinite(value)) return;
		const { least, most } = SKILL_BOUNDS[part];
		const whole = part === 'seed' ? Math.round(value) : value;
		this.skill = { ...this.skill, [part]: clamp(whole, least, most) };
	}

	/** The skill for a pass; the next pass is another one, and the same again from the same seed. */
	next(): Skill {
		const { skill } = this;
		this.set('seed', (skill.seed % SKILL_BOUNDS.seed.most) + 1);
		return skill;
	}
}
