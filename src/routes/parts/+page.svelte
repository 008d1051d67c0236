<script lang="ts">
	import { ROUTE } from '$lib/words/keys/route';
	import { button } from '$lib/ui/parts/button';
	import Button from '$lib/ui/parts/Button.svelte';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import DialogLeave from '$lib/ui/parts/DialogLeave.svelte';
	import LineForm from '$lib/ui/parts/LineForm.svelte';
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import { titleForm } from '$lib/api/form-schema';
	import Check from '$lib/ui/parts/Check.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import Empty from '$lib/ui/parts/Empty.svelte';
	import Field from '$lib/ui/parts/Field.svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import ListRow from '$lib/ui/parts/ListRow.svelte';
	import { notice } from '$lib/ui/parts/notice';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
	import { popover } from '$lib/ui/parts/popover';
	import Screen from '$lib/ui/parts/Screen.svelte';
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import Slider from '$lib/ui/parts/Slider.svelte';
	import Switch from '$lib/ui/parts/Switch.svelte';
	import Table from '$lib/ui/parts/Table.svelte';
	import { tabs } from '$lib/ui/parts/tabs';
	import { Tabs } from 'bits-ui';

	/** Every part that screens are made of, on paper and on stage. */
	const SIZES = [
		['text-count', '12 counts, frets, strings'],
		['text-reason', '13 reasons and captions'],
		['text-line', '15 lines to act on'],
		['text-head', '18 heads of sections'],
		['text-verdict', '24 verdicts and titles'],
		['text-ribbon', '30 chords in a row'],
		['text-chord', '46 a chord alone'],
		['text-stand', '76 read from afar']
	] as const;
	const THEMES = [
		{ name: 'Paper', theme: 'light' },
		{ name: 'Stage', theme: 'dark' }
	] as const;
	const places = [
		{ value: '3', name: 'position 3', group: 'Lies best' },
		{ value: '6', name: 'position 6', group: 'Lies best' },
		{ value: '11', name: 'position 11', group: 'Others' }
	];
	const notes = [
		{ value: 'names', name: 'Names' },
		{ value: 'roles', name: 'Roles' }
	] as const;
	const told = notice();
	const pop = popover();
	const large = tabs({ size: 'large' });
	const small = tabs();
	let place = $state('6');
	let shown: 'names' | 'roles' = $state('names');
	let share = $state(40);
	let on = $state(true);
	let title = $state('Pylon Song');
	let asked = $state(false);
</script>

<svelte:head><title>Parts · Arc Step</title></svelte:head>
<Screen>
	<ScreenHead
		><h1>Parts.</h1>
		<p>What screens are made of, in both themes.</p></ScreenHead
	>
	<div class="grid grid-cols-2 max-desk:grid-cols-1">
		{#each THEMES as { name, theme } (theme)}
			<section class="{theme} grid content-start gap-4 bg-paper p-6 text-ink" aria-label={name}>
				<PanelHead title={name} note="buttons and key caps" />
				<p class="flex flex-wrap items-center gap-3">
					<Button look="main">Plan <KeyCap of={ROUTE.plan} /></Button>
					<Button>Save <KeyCap of={ROUTE.save} /></Button>
					<Button tight>−</Button>
					<Button disabled>Save</Button>
					<Button look="quiet">Table</Button>
					<Button look="quiet" size="small">Leave it</Button>
					<Button look="quiet" disabled>Unlock</Button>
					<Button tight data-tip="Delete this take" aria-label="Delete">✕</Button>
					<Toggle look="quiet" pressed={on} onchange={(to) => (on = to)}>Table view</Toggle>
					<a class={button({ look: 'plain' })} href="/help">A link</a>
				</p>
				<PanelHead title="Fields" level={3} />
				<div class="grid grid-cols-2 gap-3">
					<Field label="Title" bind:value={title} />
					<Field label="Frets" type="number" value={3} wrong="Write 12 to 36." />
					<Select label="Place" options={places} bind:value={place} />
					<Select label="Place" row small options={places} bind:value={place} />
					<Select label="Find a place" finds options={places} bind:value={place} />
					<Slider
						label="Chromatic approaches"
						min={0}
						max={100}
						value={share}
						said="{share} %"
						onchange={(to) => (share = to)}
					/>
					<Check bind:checked={on}>The hand stays in its position</Check>
				</div>
				<LineForm
					schema={titleForm}
					label="One line, checked when it is sent"
					action="Use it"
					ontake={(line) => {
						title = line;
						return undefined;
					}}
				/>
				<Switch name="Plain names" says="show E for F♭" checked={on} onchange={(to) => (on = to)} />
				<Choice
					label="Inside the marks"
					options={notes}
					value={shown}
					onchange={(to) => (shown = to)}
				/>
				<PanelHead title="Tabs" level={3} />
				{#each [large, small] as look, i (i)}
					<Tabs.Root value="a">
						<Tabs.List class={look.list()} aria-label="Tabs {i + 1}">
							<Tabs.Trigger class={look.tab()} value="a">Arrive by</Tabs.Trigger>
							<Tabs.Trigger class={look.tab()} value="b">Rest and scale</Tabs.Trigger>
						</Tabs.List>
						<Tabs.Content value="a"><Empty>Nothing arrives yet: plan first.</Empty></Tabs.Content>
						<Tabs.Content value="b"><Empty>No change is chosen.</Empty></Tabs.Content>
					</Tabs.Root>
				{/each}
				<PanelHead title="Lists and tables" level={3} />
				<ul>
					<ListRow>Glass Buoy {#snippet end()}<b>63 %</b>{/snippet}</ListRow>
					<ListRow>Rope and Tar {#snippet end()}<b>94 %</b>{/snippet}</ListRow>
				</ul>
				<Table>
					<thead><tr><th scope="col">Week of</th><th scope="col">Minutes</th></tr></thead>
					<tbody><tr><td>23 Nov</td><td>64</td></tr></tbody>
				</Table>
				<PanelHead title="What opens over the screen" level={3} />
				<p><button type="button" class={pop.pick()}>minor pentatonic</button></p>
				<div class={pop.menu()}>
					<p class={pop.item()}>Save as another route</p>
					<p class={pop.rule()}></p>
					<p class={pop.item()} data-highlighted>Compare</p>
				</div>
				<div class={pop.pop()}>A panel with a few fields.</div>
				<p><Button onclick={() => (asked = true)}>A dialog</Button></p>
				<p class={told.box()}>
					Bar 4 is kept. <button type="button" class={told.act()}>Undo</button>
				</p>
				<PanelHead title="Sizes" level={3} />
				{#each SIZES as [size, says] (size)}
					<p class="{size} leading-snug">{says}</p>
				{/each}
			</section>
		{/each}
	</div>
</Screen>
<Dialog
	bind:open={asked}
	title="A dialog"
	lead="With the sentence that says what it is for."
	width="small"
>
	<DialogLeave>Leave it</DialogLeave>
</Dialog>
