<script lang="ts">
	import { roleKind, type Role, type RoleKind } from '$core/chord';
	import type { Result } from '$core/practice';
	import { labelShift, shapePath, shapeStroke } from '$lib/draw/role-shape';

	/**
	 * A landing and what came of it, around (0, 0): landed has a second outline, held a bar through it,
	 * early and late stand beside their dotted ghost, missed is crossed, silent the ghost alone.
	 */
	type Props = {
		role: Role | null;
		label?: string;
		result: Result | null;
		/** How far beside its moment an early or late one stands, in px. */
		shift?: number;
		r?: number;
	};
	let { role, label = '', result, shift = 0, r = 12 }: Props = $props();
	const kind: RoleKind = $derived(role === null ? 'fifth' : roleKind(role));
	const shape = $derived(shapePath(kind, r));
	const solid = $derived(result !== 'missed' && result !== 'silent' && result !== null);
	const landed = $derived(result === 'landed' || result === 'held');
	const moved = $derived(result === 'early' || result === 'late');
	const x = $derived(moved ? shift : 0);
	const size = $derived(r * ([...label].length > 2 ? 0.7 : 0.88));
</script>

<g data-result={result ?? 'waiting'}>
	{#if result === 'held'}
		<line class="stroke-ink stroke-5" x1={-r * 2.4} x2={r * 2.4} y1="0" y2="0" />
	{/if}
	{#if moved || result === 'missed' || result === 'silent'}
		<path class="fill-none stroke-ink stroke-[1.8] dash-[2_3]" d={shape} />
	{/if}
	{#if landed}<path class="fill-lit stroke-ink stroke-2" d={shapePath(kind, r + 4.5)} />{/if}
	{#if solid || result === null}
		<g transform="translate({x},0)">
			<path
				class="fill-lit stroke-ink in-data-[result=waiting]:fill-paper in-data-[result=waiting]:stroke-strong in-data-[result=waiting]:stroke-[1.6] data-root:fill-ink"
				data-root={(kind === 'root' && solid) || undefined}
				d={shape}
				stroke-width={shapeStroke(kind)}
			/>
			{#if label}
				<text
					class="pointer-events-none fill-ink font-bold anchor-middle in-data-[result=waiting]:fill-second data-onroot:fill-paper"
					data-onroot={(kind === 'root' && solid) || undefined}
					y={labelShift(kind) * r}
					dy="0.35em"
					font-size={size}>{label}</text
				>
			{/if}
		</g>
	{/if}
	{#if result === 'missed'}
		<path
			class="fill-none stroke-ink stroke-[2.6]"
			d="M{-r * 0.55},{-r * 0.55}L{r * 0.55},{r * 0.55}M{r * 0.55},{-r * 0.55}L{-r * 0.55},{r *
				0.55}"
		/>
	{/if}
</g>
