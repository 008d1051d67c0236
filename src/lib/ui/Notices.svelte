<script lang="ts">
	import { Toaster } from 'svelte-sonner';
	import { notice } from './parts/notice';

	/** Where notices stand; they are fetched once the screen stands. */
	const PLACE = { top: 'var(--notice-top)', left: 'var(--notice-left)' };
	const told = notice();
</script>

<Toaster
	position="top-left"
	duration={8000}
	offset={PLACE}
	mobileOffset={{ ...PLACE, right: '1rem' }}
	toastOptions={{
		unstyled: true,
		classes: {
			toast: told.box(),
			actionButton: told.act(),
			cancelButton: told.act()
		}
	}}
/>
