<script lang="ts">
	import Field from '$lib/ui/parts/Field.svelte';

	/** A tune without a title is asked for one; Enter goes back to the text. */
	let { onname }: { onname: (title: string) => void } = $props();
	let title = $state('');
	function give(): void {
		if (title.trim()) onname(title.trim());
	}
</script>

<form
	class="pb-2"
	onsubmit={(event) => {
		event.preventDefault();
		give();
	}}
>
	<Field
		label="What is it called?"
		name="title"
		maxlength={200}
		bind:value={title}
		onchange={give}
	/>
</form>
