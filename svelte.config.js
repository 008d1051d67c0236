import adapter from '@sveltejs/adapter-node';

/** @type {import('@sveltejs/kit').Config} */
export default {
	kit: {
		adapter: adapter(),
		alias: { $core: 'src/core', '$core/*': 'src/core/*' }
	}
};
