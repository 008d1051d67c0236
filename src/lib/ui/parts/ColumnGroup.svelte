<script lang="ts">
	import type { ColumnWidths } from '$lib/state/column-widths.svelte';

	/** The columns of a table as wide as the player set them. */
	let { columns, widths }: { columns: readonly string[]; widths: ColumnWidths } = $props();
</script>

<colgroup>
	{#each columns as column (column)}<col style:width="{widths.of(column)}px" />{/each}
</colgroup>
