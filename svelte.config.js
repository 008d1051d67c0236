import adapter from '@sveltejs/adapter-node';

const OWN = 'self';

/** @type {import('@sveltejs/kit').Config} */
export default {
	kit: {
		adapter: adapter(),
		// src/hooks.server.ts refuses writes from other sites, JSON and forms alike, in the API’s own words.
		csrf: { trustedOrigins: ['*'] },
		csp: {
			mode: 'nonce',
			directives: {
				'default-src': ['none'],
				// The sound library makes its clock and its processors of blobs.
				'script-src': [OWN, 'blob:'],
				'worker-src': [OWN, 'blob:'],
				'connect-src': [OWN, 'blob:'],
				// Notation, charts and the editor set styles as they draw.
				'style-src': [OWN, 'unsafe-inline'],
				'img-src': [OWN, 'data:', 'blob:'],
				'font-src': [OWN],
				'media-src': [OWN, 'blob:'],
				'manifest-src': [OWN],
				'form-action': [OWN],
				'base-uri': ['none'],
				'object-src': ['none'],
				'frame-ancestors': ['none']
			}
		},
		typescript: {
			// Benchmarks and browser tests are checked with the rest.
			config: (config) => ({
				...config,
				include: [...config.include, '../bench/**/*.ts', '../e2e/**/*.ts', '../*.config.ts']
			})
		},
		alias: { $core: 'src/core', '$core/*': 'src/core/*' }
	}
};
