import { hostname } from 'node:os';
import { isIP } from 'node:net';

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|\[::1\])$/;

/** The name in a `Host` header, in small letters without its port; null when it is none. */
function nameOf(host: string | null): string | null {
	if (!host || !URL.canParse(`http://${host}`)) return null;
	const url = new URL(`http://${host}`);
	return url.username || url.password || url.pathname !== '/' || url.search ? null : url.hostname;
}
const isAddress = (name: string) => isIP(name.replace(/^\[|\]$/g, '')) !== 0;

/** True for an address that only this machine reaches. */
export const isLoopback = (address: string): boolean =>
	LOOPBACK.test(address === '::1' ? '[::1]' : address.toLowerCase());

/**
 * Whether a request’s `Host` is a name of this server. A page of a stranger whose name was made to point at
 * this machine sends its own name, never an address.
 * @param listen the address that the server listens on (`HOST`)
 * @param others further names of this machine (`ARC_STEP_HOSTS`), parted by commas
 */
export function isOurs(host: string | null, listen: string, others = ''): boolean {
	const name = nameOf(host);
	if (name === null) return false;
	const named = others
		.split(',')
		.map((one) => one.trim().toLowerCase())
		.filter(Boolean);
	if (LOOPBACK.test(name) || named.includes(name)) return true;
	if (isLoopback(listen)) return false;
	const own = hostname().toLowerCase();
	return (
		isAddress(name) || name === listen.toLowerCase() || name === own || name === `${own}.local`
	);
}
