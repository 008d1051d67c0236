<script lang="ts">
	import Button from '$lib/ui/parts/Button.svelte';
	import { loginForm } from '$lib/api/form-schema';
	import { superForm } from 'sveltekit-superforms';
	import { zod4Client } from 'sveltekit-superforms/adapters';
	import { untrack } from 'svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const { form, errors, enhance, submitting } = superForm(
		untrack(() => data.form),
		{ validators: zod4Client(loginForm), resetForm: false }
	);
	const wrong = $derived($errors.passphrase?.[0] ?? '');
	/** Someone who comes here has one thing to do. */
	const ready = (field: HTMLInputElement) => field.focus();
</script>

<svelte:head><title>Passphrase · Arc Step</title></svelte:head>
<main class="mx-auto flex min-h-dvh max-w-120 flex-col justify-center gap-3 p-6" id="main">
	<svg viewBox="0 0 44 40" width="88" height="80" aria-hidden="true">
		<path class="fill-none stroke-now-line stroke-3 cap-round" d="M9 26C11 7 31 2 36 18" />
		<rect class="fill-ink" x="2" y="30" width="15" height="4.5" />
		<rect class="fill-ink" x="27" y="22" width="15" height="4.5" />
	</svg>
	<h1 class="text-ribbon leading-tight">This notebook is kept for its players.</h1>
	<form class="mt-3 grid gap-2" method="POST" use:enhance>
		<label class="font-bold" for="passphrase">Passphrase</label>
		<input
			class="border-2 border-ink bg-transparent px-3 py-2.5 text-verdict"
			id="passphrase"
			name="passphrase"
			type="password"
			autocomplete="current-password"
			required
			maxlength="1024"
			aria-describedby="told"
			aria-invalid={wrong ? 'true' : undefined}
			bind:value={$form.passphrase}
			{@attach ready}
		/>
		<Button look="main" class="mt-2 justify-self-start" type="submit" disabled={$submitting}
			>Open the notebook</Button
		>
		<p id="told" class="min-h-[1.5em] font-semibold" role="alert">{wrong}</p>
	</form>
	<p class="text-line text-second">
		It was set where Arc Step was started. This browser is remembered for thirty days, or until you
		sign out in the settings.
	</p>
</main>
