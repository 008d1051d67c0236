<script lang="ts">
	import Screen from '$lib/ui/parts/Screen.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import Switch from '$lib/ui/parts/Switch.svelte';
	import { Refusal, send } from '$lib/state/api';
	import { prefs } from '$lib/state/prefs.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';
	import { RadioGroup } from 'bits-ui';
	import { setMode, userPrefersMode } from 'mode-watcher';
	import { PlayerStore } from '$lib/state/player-setup.svelte';
	import Choice from '$lib/ui/parts/OptionRow.svelte';
	import ChooseFiles from '$lib/ui/files/ChooseFiles.svelte';
	import HandPicker from '$lib/ui/settings/HandPicker.svelte';
	import InstrumentList from '$lib/ui/settings/InstrumentList.svelte';
	import SoundCheck from '$lib/ui/settings/SoundCheck.svelte';
	import ScaleList from '$lib/ui/settings/ScaleList.svelte';
	import { untrack } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const store = untrack(() => new PlayerStore(data.player, data.instruments));

	async function signOut(): Promise<void> {
		try {
			await send('DELETE', '/api/v1/session');
			location.assign('/login');
		} catch (error) {
			if (error instanceof Refusal) toast(error.message);
		}
	}

	const MODES = [
		{ id: 'light', name: 'Paper', says: 'light' },
		{ id: 'dark', name: 'Stage', says: 'dark, for dim rooms' },
		{ id: 'system', name: 'As the system', says: 'follows your device' }
	] as const;
	const LABELS = [
		{ id: 'names', name: 'Note names', says: 'B♭, D, F, A♭' },
		{ id: 'roles', name: 'Roles', says: 'R, 3, 5, ♭7' }
	] as const;
	const SWITCHES = [
		{ key: 'plainNames', name: 'Plain names', says: 'show E for F♭ and C for B♯; display only' },
		{
			key: 'thinStringOnTop',
			name: 'Thin string on top',
			says: 'as tab is read; off: as you see it looking down'
		},
		{
			key: 'leftHanded',
			name: 'Left-handed neck',
			says: 'the nut at the right, for every instrument'
		},
		{
			key: 'hearNotes',
			name: 'Hear touched notes',
			says: 'a short plucked tone for a note that is chosen or moved; keep the volume low'
		},
		{
			key: 'singleKeys',
			name: 'Single-key shortcuts',
			says: 'letters and signs act without Ctrl; they never act while typing'
		}
	] as const;
</script>

<svelte:head><title>Settings · Arc Step</title></svelte:head>
<TopBar title="Settings" />
<Screen class="max-w-190 gap-6 pt-4.5">
	<h1 class="text-verdict">Set it up once, then play.</h1>
	<section>
		<PanelHead id="theme" title="Theme" />
		<RadioGroup.Root
			value={userPrefersMode.current}
			onValueChange={(mode) => setMode(mode as 'light' | 'dark' | 'system')}
			aria-labelledby="theme"
		>
			{#each MODES as mode (mode.id)}<Choice
					value={mode.id}
					name={mode.name}
					says={mode.says}
				/>{/each}
		</RadioGroup.Root>
	</section>
	<section>
		<PanelHead id="labels" title="Inside the marks" note="N switches anywhere" />
		<RadioGroup.Root
			value={prefs.current.labels}
			onValueChange={(value) => prefs.set('labels', value as 'names' | 'roles')}
			aria-labelledby="labels"
		>
			{#each LABELS as label (label.id)}<Choice
					value={label.id}
					name={label.name}
					says={label.says}
				/>{/each}
		</RadioGroup.Root>
	</section>
	<section>
		<PanelHead title="Neck and keys" />
		{#each SWITCHES as entry (entry.key)}
			<Switch
				name={entry.name}
				says={entry.says}
				checked={prefs.current[entry.key]}
				onchange={(on) => prefs.set(entry.key, on)}
			/>
		{/each}
	</section>
	<SoundCheck />
	<p class="text-reason text-second">
		What stands above is kept in this browser; what follows, in your notebook.
	</p>
	<HandPicker {store} />
	<InstrumentList {store} />
	<ScaleList {store} />
	<section>
		<PanelHead
			title="The notebook as one file"
			note="tunes, routes, motifs, sets, instruments, drills and takes"
		/>
		<p class="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2">
			<Button href="/backup.json" download>Back it up</Button>
			<Button href="/backup.json.gz" download>Back it up packed</Button>
			<ChooseFiles look="plain" accept=".json,.gz">Restore a backup</ChooseFiles>
			<small class="text-reason text-second"
				>A backup is shown before it is restored: merged, or in place of what is here.</small
			>
		</p>
	</section>
	{#if data.guarded}
		<section>
			<PanelHead title="This browser" note="it gave the passphrase of this notebook" />
			<p class="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2">
				<Button onclick={() => void signOut()}>Sign out</Button>
			</p>
		</section>
	{/if}
</Screen>
