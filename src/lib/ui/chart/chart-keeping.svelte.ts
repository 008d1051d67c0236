import { beforeNavigate, goto } from '$app/navigation';
import { Refusal } from '$lib/state/api';
import type { ChartDraft } from '$lib/state/chart-draft.svelte';
import { toast } from 'svelte-sonner';

/**
 * Saving the chart that is edited. Leaving saves: another screen always shows what was written. Text that
 * cannot be saved stays in this browser, so leaving loses nothing either way.
 */
export class ChartKeeping {
	/** It was saved elsewhere meanwhile: the player is asked which one stays. */
	asking = $state(false);
	private leaving = false;

	/** To be made while a screen is set up: it holds that screen until the text is saved. */
	constructor(private readonly draft: ChartDraft) {
		beforeNavigate((navigation) => {
			if (!draft.dirty || this.leaving) return;
			navigation.cancel();
			const to = navigation.to?.url;
			if (navigation.type === 'leave' || !to) return;
			void this.save().then((done) => {
				if (done) return goto(to);
				if (this.asking) return;
				toast('This chart is not saved.', {
					action: {
						label: 'Leave anyway',
						onClick: () => {
							this.leaving = true;
							void goto(to);
						}
					}
				});
			});
		});
	}

	/** Saves what is written; whether it is saved now. */
	save(): Promise<boolean> {
		return this.keep(() => this.draft.save());
	}

	/** Saves over what was saved elsewhere. */
	saveMine(): Promise<boolean> {
		return this.keep(() => this.draft.keepMine());
	}

	/** Takes what was saved elsewhere. */
	takeTheirs(): void {
		this.draft.takeTheirs();
		this.asking = false;
	}

	private async keep(how: () => Promise<boolean>): Promise<boolean> {
		if (!this.draft.dirty) return true;
		try {
			const done = await how();
			this.asking = !done;
			if (done) toast('Saved.', { duration: 2500 });
			return done;
		} catch (error) {
			toast(
				error instanceof Refusal
					? error.message
					: 'Saving failed. Your text is still here; try again.'
			);
			return false;
		}
	}
}
