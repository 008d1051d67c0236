<script lang="ts">
	import { titleForm } from '$lib/api/form-schema';
	import LineForm from '$lib/ui/parts/LineForm.svelte';

	/** A tune without a title is asked for one; Enter goes back to the text. */
	let { onname }: { onname: (title: string) => void } = $props();
</script>

<div class="pb-2">
	<LineForm
		schema={titleForm}
		label="What is it called?"
		eager
		ontake={(title) => {
			onname(title);
			return undefined;
		}}
	/>
</div>
