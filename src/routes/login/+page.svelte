<script lang="ts">
	import type { ActionData } from './$types';

	let { form }: { form: ActionData } = $props();
	/** Someone who comes here has one thing to do. */
	const ready = (field: HTMLInputElement) => field.focus();
</script>

<svelte:head><title>Passphrase · Arc Step</title></svelte:head>
<main id="main">
	<svg viewBox="0 0 44 40" width="88" height="80" aria-hidden="true">
		<path d="M9 26C11 7 31 2 36 18" />
		<rect x="2" y="30" width="15" height="4.5" />
		<rect x="27" y="22" width="15" height="4.5" />
	</svg>
	<h1>This notebook is kept for its players.</h1>
	<form method="POST">
		<label for="passphrase">Passphrase</label>
		<input
			id="passphrase"
			name="passphrase"
			type="password"
			autocomplete="current-password"
			required
			maxlength="1024"
			aria-describedby="told"
			aria-invalid={form?.message ? 'true' : undefined}
			{@attach ready}
		/>
		<button class="act act-main" type="submit">Open the notebook</button>
		<p id="told" role="alert">{form?.message ?? ''}</p>
	</form>
	<p class="help">
		It was set where Arc Step was started. This browser is remembered for thirty days, or until you
		sign out in the settings.
	</p>
</main>

<style>
	main {
		display: flex;
		flex-direction: column;
		justify-content: center;
		gap: 12px;
		max-width: 32rem;
		min-height: 100dvh;
		margin: 0 auto;
		padding: 24px;
	}
	path {
		fill: none;
		stroke: var(--now-line);
		stroke-width: 3;
		stroke-linecap: round;
	}
	rect {
		fill: var(--ink);
	}
	h1 {
		font-size: 34px;
		line-height: 1.15;
	}
	form {
		display: grid;
		gap: 8px;
		margin-top: 12px;
	}
	label {
		font-weight: 700;
	}
	input {
		font-size: 22px;
		padding: 10px 12px;
		border: 2px solid var(--ink);
		background: none;
	}
	button {
		justify-self: start;
		margin-top: 8px;
	}
	#told {
		min-height: 1.5em;
		font-weight: 600;
	}
	.help {
		font-size: 15px;
		color: var(--second);
	}
</style>
