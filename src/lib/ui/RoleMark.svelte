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

	/** Now is filled, next hollow, what is neither is ink. */
	const LOOK = {
		now: { line: 'stroke-now-line', fill: 'fill-now-fill', root: 'fill-now' },
		next: { line: 'stroke-next-line', fill: 'fill-next-fill', root: 'fill-next' },
		ink: { line: 'stroke-second', fill: 'fill-lit', root: 'fill-second' }
	} as const;
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
		{@const look = LOOK[tense]}
		<g clip-path={shared ? `url(#${id}-${tense})` : undefined}>
			{#if target}
				<path class="fill-lit {look.line}" d={shapePath(kind, r + 5.6)} stroke-width="2" />
			{/if}
			<path
				class="{look.line} {kind === 'root' ? look.root : look.fill}"
				d={shapePath(kind, r)}
				stroke-width={shapeStroke(kind)}
			/>
			{#if kind === 'bass'}
				<line
					class={look.line}
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
			class="pointer-events-none font-sans font-bold anchor-middle data-shared:stroke-lit data-shared:stroke-[2.4px] data-shared:[paint-order:stroke] data-shared:join-round {!onFill
				? 'fill-ink'
				: main.tense === 'ink'
					? 'fill-paper'
					: 'fill-on-now'}"
			data-shared={shared || undefined}
			y={labelShift(main.kind) * r}
			dy="0.35em"
			font-size={size}>{label}</text
		>
	{/if}
	{#if locked}
		<g data-part="lock" class="[paint-order:stroke]" transform="translate({r * 1.05}, {-r * 1.1})">
			<rect class="fill-ink" x="-4.5" y="-1" width="9" height="7" />
			<path
				class="stroke-ink"
				d="M-2.6,-1V-3.4A2.6,2.6 0 0 1 2.6,-3.4V-1"
				fill="none"
				stroke-width="1.8"
			/>
		</g>
	{/if}
{/if}
