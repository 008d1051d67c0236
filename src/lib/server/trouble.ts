/** What is wrong with the database, by its codes: https://www.postgresql.org/docs/current/errcodes-appendix.html */
const AWAY =
	/^(08|57P|53300|25P03|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND|EAI_AGAIN|EHOSTUNREACH|ENETUNREACH)/;
/** Words of the driver for a connection that went away without a code. */
const AWAY_WORDS =
	/Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|not queryable|database system is (?:starting|shutting)|PGlite is closed/i;

/** What can be done about an error of the database. */
export type Trouble = 'away' | 'full' | 'unfit';

/**
 * Tells apart what the database says: it is away for the moment, its disk is full, or what it was given does not
 * fit it; null for anything else.
 */
export function troubleOf(error: unknown): Trouble | null {
	for (let at = error, depth = 0; at instanceof Error && depth < 8; at = at.cause, depth++) {
		const { code = '', message } = at as Error & { code?: unknown };
		if (AWAY.test(String(code)) || AWAY_WORDS.test(message)) return 'away';
		if (/^53[12]00$|ENOSPC|EDQUOT/.test(String(code)) || message.includes('No space left')) {
			return 'full';
		}
		if (/^22/.test(String(code))) return 'unfit';
		if (at instanceof AggregateError && at.errors.some((one) => troubleOf(one) === 'away')) {
			return 'away';
		}
	}
	return null;
}
