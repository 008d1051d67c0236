import adapter from '@sveltejs/adapter-node';

/** @type {import('@sveltejs/kit').Config} */
export default {
	kit: {
		adapter: adapter(),
		// src/hooks.server.ts refuses writes from other sites, JSON and forms alike, in the API’s own words.
		csrf: { trustedOrigins: ['*'] },
		alias: { $core: 'src/core', '$core/*': 'src/core/*' }
	}
};
