import type { z } from 'zod';

/** One operation of the public API, as the OpenAPI document tells it. */
export type Operation = {
	readonly method: 'get' | 'post' | 'put' | 'delete';
	readonly path: string;
	readonly summary: string;
	readonly body?: z.core.$ZodType;
	/** The body may come as a form instead, with files in fields named `file`. */
	readonly files?: true;
	/** Parameters of the address and what they may be. */
	readonly query?: Readonly<Record<string, readonly string[]>>;
	/** Parameters of the address that are free text and must be there. */
	readonly text?: readonly string[];
	/** What is answered, where it is no JSON. */
	readonly media?: string;
	readonly status: number;
	readonly answer?: z.core.$ZodType;
	/** Statuses of what can go wrong. */
	readonly errors: readonly number[];
};

/** What can go wrong where a body is read. */
export const READ: readonly number[] = [400, 413, 415, 422, 503];

/** What a kind of thing that is kept with a version has in common with the others. */
type Kind = {
	readonly kind: string;
	readonly path: string;
	readonly update: z.core.$ZodType;
	readonly answer: z.core.$ZodType;
	/** What an edit answers, where it is less. */
	readonly saved?: z.core.$ZodType;
	/** What else deleting it means, and what saving it does. */
	readonly deleting?: string;
	readonly saving?: string;
};

/** Reading, saving, deleting one thing and bringing it back. */
export const itemOperations = ({
	kind,
	path,
	update,
	answer,
	saved = answer,
	deleting = '',
	saving = 'Save'
}: Kind): Operation[] => [
	{
		method: 'get',
		path: `${path}/{id}`,
		summary: `One ${kind}`,
		status: 200,
		answer,
		errors: [404]
	},
	{
		method: 'put',
		path: `${path}/{id}`,
		summary: `${saving} the ${kind} made from a version; a stale version answers 409 with the one that stands there`,
		body: update,
		status: 200,
		answer: saved,
		errors: [...READ, 404, 409]
	},
	{
		method: 'delete',
		path: `${path}/{id}`,
		summary: `Delete a ${kind}${deleting}`,
		status: 204,
		errors: [404]
	},
	{
		method: 'post',
		path: `${path}/{id}/undelete`,
		summary: `Bring a deleted ${kind} back, within a day`,
		status: 200,
		answer,
		errors: [404]
	}
];

/** Reading a list and adding to it, and what can be done to each thing in it. */
export const listOperations = ({
	all,
	list,
	input,
	keeping,
	...kind
}: Kind & {
	readonly all: string;
	readonly list: z.core.$ZodType;
	readonly input: z.core.$ZodType;
	readonly keeping: string;
}): Operation[] => [
	{ method: 'get', path: kind.path, summary: all, status: 200, answer: list, errors: [] },
	{
		method: 'post',
		path: kind.path,
		summary: keeping,
		body: input,
		status: 201,
		answer: kind.answer,
		errors: READ
	},
	...itemOperations(kind)
];
