import { serverWatch } from '$lib/state/server-watch.svelte';
import type { HandleClientError } from '@sveltejs/kit';

/** A page that could not be fetched is no error of ours: it is asked for again when the server is back. */
export const handleError: HandleClientError = ({ error, status, message }) => {
	if (status < 500 || !(error instanceof TypeError)) return { message };
	serverWatch.lost();
	return { message: 'The server does not answer. This page comes by itself when it is back.' };
};
