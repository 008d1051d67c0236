import { goto, invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';
import { Refusal, send } from '$lib/state/api';
import { offeringBack } from '$lib/state/deletion';
import type { OpenTune } from '$lib/state/open-tune.svelte';
import type { RoutePlan } from '$lib/state/route-plan.svelte';
import { toast } from 'svelte-sonner';

/** Saving the open route and deleting it, with the address that goes along. */
export class RouteKeeping {
	/** It was saved elsewhere meanwhile: the player is asked which one stays. */
	asking = $state(false);

	constructor(
		private readonly open: OpenTune,
		private readonly plan: RoutePlan
	) {}

	/** Saves what is planned. */
	save(): Promise<void> {
		return this.keep(() => this.plan.save());
	}

	/** Saves over what was saved elsewhere. */
	saveMine(): Promise<void> {
		return this.keep(() => this.plan.keepMine());
	}

	/** Takes what was saved elsewhere. */
	takeTheirs(): void {
		this.plan.load(this.plan.conflict);
		this.asking = false;
	}

	private async keep(how: () => Promise<boolean>): Promise<void> {
		const { plan, open } = this;
		if (!plan.planned || plan.saving) return;
		const fresh = plan.saved === null;
		try {
			const done = await how();
			this.asking = !done;
			if (!done || !plan.saved) return;
			toast('Route saved.', { duration: 2500 });
			if (fresh)
				await goto(`?route=${plan.saved.id}&position=${open.position}`, {
					replaceState: true,
					noScroll: true,
					keepFocus: true
				});
			// Someone may have edited the chart meanwhile: the server has planned on that one.
			const moved = plan.saved.tuneVersion !== open.saved.version;
			// Reading everything anew would call a key off that is on its way to another screen.
			await navigating.complete?.catch(() => null);
			await invalidateAll();
			if (moved) plan.load(plan.saved);
		} catch (error) {
			toast(
				error instanceof Refusal
					? error.message
					: 'Saving failed. The route is still here; try again.'
			);
		}
	}

	/** Deletes the saved route; it can be brought back. */
	async remove(): Promise<void> {
		const { saved } = this.plan;
		if (!saved) return;
		const { id, name } = saved;
		await offeringBack(
			`The route “${name}” is deleted.`,
			() =>
				send('DELETE', `/api/v1/routes/${id}`).then(() =>
					goto('?route=new', { invalidateAll: true })
				),
			() =>
				send('POST', `/api/v1/routes/${id}/undelete`).then(() =>
					goto(`?route=${id}`, { invalidateAll: true })
				)
		);
	}
}
