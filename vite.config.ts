import tailwindcss from '@tailwindcss/vite';
import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vite';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	worker: { format: 'es' },
	build: {
		reportCompressedSize: false,
		rolldownOptions: { checks: { pluginTimings: false } },
		// A part that is fetched when needed is asked for again where it does not come (`state/fetched`). What was preloaded
		// in vain a browser keeps as lost, so that asking again would never help.
		modulePreload: {
			resolveDependencies: (_, deps, { hostType }) => (hostType === 'js' ? [] : deps)
		}
	}
});
