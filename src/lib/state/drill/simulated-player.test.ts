import { describe, expect, it } from 'vitest';
import { SKILLS } from '$core/practice';
import { SimulatedPlayer } from './simulated-player.svelte';

describe('the simulated player', () => {
	it('plays as one of those that ship, or as it is set by hand', () => {
		const player = new SimulatedPlayer();
		expect(player.name).toBe('steady');
		player.choose('sure');
		expect(player.skill).toMatchObject({ ...SKILLS.sure, seed: 1 });
		player.set('biasMs', -30);
		expect(player.name).toBeNull();
		expect(player.skill).toMatchObject({ biasMs: -30, spreadMs: SKILLS.sure.spreadMs });
		player.choose('sure');
		expect(player.name).toBe('sure');
	});

	it('keeps every part within its bounds, and knows no part that is no number', () => {
		const player = new SimulatedPlayer();
		player.set('wrongShare', 3);
		player.set('spreadMs', -5);
		player.set('seed', 2.6);
		expect(player.skill).toMatchObject({ wrongShare: 1, spreadMs: 0, seed: 3 });
		const before = player.skill;
		player.set('spreadMs', NaN);
		expect(player.skill).toBe(before);
	});

	it('plays another pass each time, the same again from the same seed', () => {
		const player = new SimulatedPlayer();
		player.set('seed', 999_999);
		expect([player.next().seed, player.next().seed, player.next().seed]).toEqual([
			999_999, 1_000_000, 1
		]);
		expect(player.name).toBe('steady');
	});
});
