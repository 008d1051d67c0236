<script lang="ts">
	import { capOf, type Row } from '$lib/words/keys/key-map';

	/** The keys of a row of a key map. Fingers have none: on a phone they are left out, unless `always`. */
	type Props = {
		of: Row;
		/** Another way of pressing it than the first. */
		caps?: string;
		always?: boolean;
	};
	let { of, caps = capOf(of), always = false }: Props = $props();
</script>

{#each caps.split(' ') as key (key)}<kbd
		class="rounded-xs border border-current px-1.5 py-1 font-mono text-count leading-none font-bold [kbd+&]:ml-1.5 {always
			? ''
			: 'max-tablet:hidden'}">{key}</kbd
	>{/each}
