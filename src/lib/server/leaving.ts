import { AsyncLocalStorage } from 'node:async_hooks';
import type { IncomingMessage } from 'node:http';

/** Whoever asked, as long as it is answered: what computes for somebody who has left may stop. */
const asking = new AsyncLocalStorage<AbortSignal>();

/** Aborted when the client of the request that is being answered has gone; undefined outside of requests. */
export const clientGone = (): AbortSignal | undefined => asking.getStore();

/**
 * Answers a request; what it starts meanwhile sees in `clientGone` whether its client is still there.
 * @param message the request as Node has it; undefined on the development server
 */
export async function whileAsked<T>(
	message: IncomingMessage | undefined,
	answer: () => T | Promise<T>
): Promise<T> {
	if (!message) return answer();
	const controller = new AbortController();
	const leave = () => controller.abort(new Error('The client has gone.'));
	const { socket } = message;
	if (socket.destroyed) leave();
	socket.once('close', leave);
	try {
		return await asking.run(controller.signal, answer);
	} finally {
		socket.off('close', leave);
	}
}
