import type { Attachment } from 'svelte/attachments';

/**
 * Listens on a group for events of the controls inside it; the group itself is no control.
 * @example <div {@attach listen('keydown', walk)}>…</div>
 */
export const listen =
	<K extends keyof HTMLElementEventMap>(
		type: K,
		handler: (event: HTMLElementEventMap[K]) => void
	): Attachment<HTMLElement> =>
	(node) => {
		node.addEventListener(type, handler);
		return () => node.removeEventListener(type, handler);
	};
