<script lang="ts">
	import { isRole, roleKind } from '$core/chord';
	import { QUARTER } from '$core/kernel';
	import type { Motif } from '$core/phrase';
	import { shapePath } from '$lib/draw/role-shape';

	/** A motif at a glance: marks by height, treads by time; off the beat is raised. */
	let {
		motif,
		width = 186,
		height = 44
	}: { motif: Motif; width?: number; height?: number } = $props();

	const HEIGHT: Record<string, number> = {
		root: 0,
		third: 4,
		fifth: 7,
		seventh: 10,
		extension: 2,
		bass: 0
	};
	const span = $derived(
		Math.max(1920, ...motif.notes.map((note) => note.offsetTicks + note.durationTicks))
	);
	const x = (tick: number) => 4 + (tick / span) * (width - 12);
	const notes = $derived.by(() => {
		let height = 0;
		return motif.notes.map((note, i) => {
			const role = motif.basis === 'role' && isRole(note.step) ? note.step : null;
			const kind = role ? roleKind(role) : 'fifth';
			const raw =
				motif.basis === 'interval'
					? Number(note.step)
					: role
						? HEIGHT[kind]
						: 2 * Number(String(note.step).replace(/\D/g, ''));
			const step = i === 0 ? raw : role ? nearest(height, raw) : raw;
			height = step + 12 * (note.octave ?? 0);
			return { note, kind, height };
		});
	});
	function nearest(from: number, to: number): number {
		let at = to;
		while (at - from > 6) at -= 12;
		while (from - at >= 6) at += 12;
		return at;
	}
	const top = 12;
	const room = $derived(height - 28);
	const y = (value: number) => {
		const all = notes.map((entry) => entry.height);
		const [low, high] = [Math.min(...all), Math.max(...all)];
		return top + room - ((value - low) / Math.max(5, high - low)) * room;
	};
</script>

<svg class="block max-w-full" viewBox="0 0 {width} {height}" {width} {height} aria-hidden="true">
	<path
		class="fill-none stroke-third stroke-[1.2]"
		d="M{notes.map(({ note, height: h }) => `${x(note.offsetTicks) + 5},${y(h)}`).join('L')}"
	/>
	{#each notes as { note, kind, height: h }, i (i)}
		<path
			class="fill-lit stroke-ink stroke-[1.6] data-last:stroke-[2.2] data-root:fill-ink"
			data-root={kind === 'root' || undefined}
			data-last={i === notes.length - 1 || undefined}
			transform="translate({x(note.offsetTicks) + 5},{y(h)})"
			d={shapePath(kind, i === notes.length - 1 ? 6 : 4.6)}
		/>
		<rect
			class="fill-strong data-last:fill-ink"
			data-last={i === notes.length - 1 || undefined}
			x={x(note.offsetTicks)}
			y={height - (note.offsetTicks % QUARTER === 0 ? 6 : 11)}
			width={Math.max(4, x(note.offsetTicks + note.durationTicks) - x(note.offsetTicks) - 2)}
			height="5"
		/>
	{/each}
</svg>
