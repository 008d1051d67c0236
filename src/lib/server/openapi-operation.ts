import type { z } from 'zod';

/** One operation of the public API, as the OpenAPI document tells it. */
export type Operation = {
	readonly method: 'get' | 'post' | 'put' | 'delete';
	readonly path: string;
	readonly summary: string;
	readonly body?: z.ZodType;
	/** The body may come as a form instead, with files in fields named `file`. */
	readonly files?: true;
	/** Parameters of the address and what they may be. */
	readonly query?: Readonly<Record<string, readonly string[]>>;
	/** Parameters of the address that are free text and must be there. */
	readonly text?: readonly string[];
	/** What is answered, where it is no JSON. */
	readonly media?: string;
	readonly status: number;
	readonly answer?: z.ZodType;
	/** Statuses of what can go wrong. */
	readonly errors: readonly number[];
};

/** What can go wrong where a body is read. */
export const READ: readonly number[] = [400, 413, 415, 422, 503];
