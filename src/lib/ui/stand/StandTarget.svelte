<script lang="ts">
	import type { TargetAnswer } from '$lib/api/plan-schema';
	import { prefs } from '$lib/state/prefs.svelte';
	import RoleMark from '../RoleMark.svelte';

	/** The landing at the end of the arc. */
	let { target, x, y, r }: { target: TargetAnswer; x: number; y: number; r: number } = $props();
</script>

<g transform="translate({x},{y})">
	<RoleMark
		next={target.role}
		label={prefs.label({ role: target.role, name: target.name, pc: target.midi % 12 })}
		{r}
		target
	/>
</g>
