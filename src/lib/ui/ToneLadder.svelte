<script lang="ts">
	import { compareChords } from '$core/chart';
	import { roleWords, signs, type Chord, type Tone } from '$core/chord';
	import { mod } from '$core/pitch';
	import { prefs } from '$lib/state/prefs.svelte';
	import RoleMark from './RoleMark.svelte';
	import { plural } from '$lib/words/words';

	/** What moves and what stays between two chords: old tones at the left, new ones at the right. */
	let { now, next, wide = false }: { now: Chord; next: Chord; wide?: boolean } = $props();
	const uid = $props.id();

	const STEP = 8;
	const GAP = 24;
	const comparison = $derived(compareChords(now, next));
	const semitones = $derived(comparison.moves.filter((move) => Math.abs(move.semitones) === 1));

	/** The pitch class to cut the octave at, so that moves run as level as can be. */
	const base = $derived.by(() => {
		const links = [...semitones, ...comparison.common.map((tone) => ({ from: tone, to: tone }))];
		const strain = (cut: number) =>
			links.reduce(
				(sum, { from, to }) => sum + Math.abs(mod(from.pc - cut, 12) - mod(to.pc - cut, 12)),
				0
			) *
				10 -
			mod(next.tones[0].pc - cut, 12) * 0.1;
		return Array.from({ length: 12 }, (_, cut) => cut).reduce((a, b) =>
			strain(b) < strain(a) ? b : a
		);
	});

	function heights(tones: readonly Tone[]): Map<number, number> {
		const sorted = [...tones].sort((a, b) => mod(b.pc - base, 12) - mod(a.pc - base, 12));
		const found = new Map<number, number>();
		let last = -Infinity;
		for (const tone of sorted) {
			const y = Math.max((11 - mod(tone.pc - base, 12)) * STEP, last + GAP);
			found.set(tone.pc, y);
			last = y;
		}
		return found;
	}
	const spoken = $derived.by(() => {
		const [stay, move] = [comparison.common.length, semitones.length];
		const stays = `${plural(stay, 'tone')} ${stay === 1 ? 'stays' : 'stay'}`;
		return `From ${signs(now.symbol)} to ${signs(next.symbol)}: ${stays}, ${plural(move, 'move')} by a semitone`;
	});
	const left = $derived(heights(now.tones));
	const right = $derived(heights(next.tones));
	const all = $derived([...left.values(), ...right.values()]);
	const top = $derived(Math.min(...all) - 18);
	const height = $derived(Math.max(...all) + 18 - top);
	const width = $derived(wide ? 490 : 304);
	const x1 = $derived(wide ? 130 : 104);
	const x2 = $derived(wide ? 280 : 196);
	const y = (side: Map<number, number>, pc: number) => (side.get(pc) ?? 0) - top;

	/** Role words that fit beside the marks; long ones are cut short where there is little room. */
	const roleText = (tone: Tone) => {
		const role = roleWords(tone.role);
		if (role.length <= 13 || (wide && tone.role.length < 3)) return role;
		return role
			.replace('diminished', 'dim.')
			.replace('suspended', 'sus.')
			.replace('thirteenth', '13th')
			.replace('eleventh', '11th');
	};
	const words = (tone: Tone) => {
		const role = roleText(tone);
		if (comparison.common.some((other) => other.pc === tone.pc)) {
			return wide || role.length < 8 ? `${role}, stays` : role;
		}
		const [move, other] = semitones.filter((entry) => entry.to.pc === tone.pc);
		if (!move || !wide) return role;
		if (other) return `${role}, a semitone from either side`;
		return `${role}, a semitone ${move.semitones > 0 ? 'higher' : 'lower'}`;
	};
</script>

<svg
	class="block"
	viewBox="0 0 {width} {height}"
	width="100%"
	style="max-width:{width}px"
	role="img"
	aria-label={spoken}
>
	<defs>
		<linearGradient id="{uid}-move" gradientUnits="userSpaceOnUse" {x1} {x2} y1="0" y2="0">
			<stop offset="0" class="[stop-color:var(--now-line)]" /><stop
				offset="1"
				class="[stop-color:var(--next-line)]"
			/>
		</linearGradient>
	</defs>
	{#each semitones as move (`${move.from.pc}-${move.to.pc}`)}
		{@const [a, b] = [y(left, move.from.pc), y(right, move.to.pc)]}
		<path
			class="fill-none stroke-[2.25]"
			stroke="url(#{uid}-move)"
			d="M{x1 + 16},{a}C{x1 + 60},{a + (b - a) * 0.2 - 6} {x2 - 60},{b} {x2 - 16},{b}"
		/>
	{/each}
	{#each comparison.common as tone (tone.pc)}
		<path
			class="fill-none stroke-[1.6] [stroke-dasharray:1.6_4]"
			stroke="url(#{uid}-move)"
			d="M{x1 + 16},{y(left, tone.pc)}L{x2 - 16},{y(right, tone.pc) + 0.01}"
		/>
	{/each}
	{#each now.tones as tone (tone.role)}
		<g transform="translate({x1},{y(left, tone.pc)})"
			><RoleMark now={tone.role} label={prefs.label(tone)} r={12} /></g
		>
		<text class="fill-second text-reason anchor-end" x={x1 - 20} y={y(left, tone.pc)} dy="0.35em"
			>{roleText(tone)}</text
		>
	{/each}
	{#each next.tones as tone (tone.role)}
		<g transform="translate({x2},{y(right, tone.pc)})"
			><RoleMark next={tone.role} label={prefs.label(tone)} r={12} /></g
		>
		<text class="fill-second text-reason" x={x2 + 20} y={y(right, tone.pc)} dy="0.35em"
			>{words(tone)}</text
		>
	{/each}
</svg>
