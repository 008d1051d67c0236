<script lang="ts">
	import { roleKind, type Role } from '$core/chord';
	import { labelShift, shapePath, shapeStroke } from '$lib/draw/role-shape';

	type Props = {
		/** The tone's role in the sounding chord, in the coming one, or in neither (ink). */
		now?: Role;
		next?: Role;
		ink?: Role;
		label?: string;
		r?: number;
		/** A second outline: this is the landing. */
		target?: boolean;
		locked?: boolean;
	};
	let { now, next, ink, label = '', r = 12.6, target = false, locked = false }: Props = $props();

	const id = $props.id();
	const layers = $derived(
		(
			[
				['now', now],
				['next', next],
				['ink', ink]
			] as const
		).flatMap(([tense, role]) => (role ? [{ tense, kind: roleKind(role) }] : []))
	);
	const shared = $derived(layers.length > 1);
	const main = $derived(layers[layers.length - 1]);
	const size = $derived(r * ([...label].length > 3 ? 0.58 : [...label].length > 2 ? 0.7 : 0.88));
	const onFill = $derived(!shared && main?.kind === 'root');
</script>

{#if main}
	{#if shared}
		<clipPath id="{id}-now"><polygon points="-60,60 -60,-60 60,-60" /></clipPath>
		<clipPath id="{id}-next"><polygon points="-60,60 60,60 60,-60" /></clipPath>
	{/if}
	{#each layers as { tense, kind } (tense)}
		<g class={tense} clip-path={shared ? `url(#${id}-${tense})` : undefined}>
			{#if target}
				<path class="halo" d={shapePath(kind, r + 5.6)} stroke-width="2" />
			{/if}
			<path
				class="shape"
				class:root={kind === 'root'}
				d={shapePath(kind, r)}
				stroke-width={shapeStroke(kind)}
			/>
			{#if kind === 'bass'}
				<line
					class="bar"
					x1={-r * 0.8}
					x2={r * 0.8}
					y1={r * 1.12}
					y2={r * 1.12}
					stroke-width="2.5"
				/>
			{/if}
		</g>
	{/each}
	{#if label}
		<text
			class="label {main.tense}"
			class:onFill
			class:shared
			y={labelShift(main.kind) * r}
			dy="0.35em"
			font-size={size}>{label}</text
		>
	{/if}
	{#if locked}
		<g class="lock {main.tense}" transform="translate({r * 1.05}, {-r * 1.1})">
			<rect x="-4.5" y="-1" width="9" height="7" />
			<path d="M-2.6,-1V-3.4A2.6,2.6 0 0 1 2.6,-3.4V-1" fill="none" stroke-width="1.8" />
		</g>
	{/if}
{/if}

<style>
	.now .shape {
		fill: var(--now-fill);
		stroke: var(--now-line);
	}
	.now .root {
		fill: var(--now);
	}
	.next .shape {
		fill: var(--next-fill);
		stroke: var(--next-line);
	}
	.next .root {
		fill: var(--next);
	}
	.ink .shape {
		fill: var(--lit);
		stroke: var(--second);
	}
	.ink .root {
		fill: var(--second);
	}
	.halo {
		fill: var(--lit);
	}
	.now .halo {
		stroke: var(--now-line);
	}
	.next .halo {
		stroke: var(--next-line);
	}
	.ink .halo {
		stroke: var(--second);
	}
	.now .bar {
		stroke: var(--now-line);
	}
	.next .bar {
		stroke: var(--next-line);
	}
	.ink .bar {
		stroke: var(--second);
	}
	.label {
		fill: var(--ink);
		font-family: var(--font-sans);
		font-weight: 700;
		text-anchor: middle;
		pointer-events: none;
	}
	.label.onFill {
		fill: #14181b;
	}
	.label.onFill.ink {
		fill: var(--paper);
	}
	.label.shared {
		paint-order: stroke;
		stroke: var(--lit);
		stroke-width: 2.4px;
		stroke-linejoin: round;
	}
	.lock rect {
		fill: var(--ink);
	}
	.lock path {
		stroke: var(--ink);
	}
	.lock {
		paint-order: stroke;
	}
</style>
