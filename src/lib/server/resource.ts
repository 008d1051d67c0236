import type { z } from 'zod';
import type { Outcome } from '../api/resolve';
import { openDatabase, type Database } from './database';
import { isUuid, json, readJson } from './http';
import { brokenRule, notFound, problemResponse } from './problem';

/** Anything that is kept with a version. */
export type Kept = { readonly version: number };

/**
 * A kind of thing that the notebook keeps. An edit is made from a version: a stale one is answered 409 with what
 * stands there now, and nothing is overwritten.
 * `Input` is what a client sends, `Ready` what is stored of it, `Answer` what is answered.
 */
export type Resource<Input, Ready, Answer extends Kept> = {
	/** What it is called in a sentence: `tune`. */
	readonly kind: string;
	/** The body of a PUT: the input and the version that it was made from. */
	readonly update: z.core.$ZodType<Input & Kept>;
	readonly get: (db: Database, id: string) => Promise<Answer | null>;
	/** What is stored of an input, or the rules that it breaks. `id` is that of the thing that stands there. */
	readonly ready: (db: Database, input: Input, id: string) => Promise<Outcome<Ready>>;
	/** Null when the version is stale or the thing is gone. */
	readonly save: (
		db: Database,
		id: string,
		ready: Ready,
		version: number
	) => Promise<Answer | null>;
};

/** A resource that is made and thrown away one by one, and can be brought back. */
export type ListedResource<Input, Ready, Answer extends Kept & { readonly id: string }> = Resource<
	Input,
	Ready,
	Answer
> & {
	readonly remove: (db: Database, id: string) => Promise<boolean>;
	readonly bringBack: (db: Database, id: string) => Promise<boolean>;
};

/** A resource that stands in one list, into which new ones are posted. */
export type Collection<Input, Ready, Answer extends Kept & { readonly id: string }> = {
	/** Where the list is: `/api/v1/tunes`. */
	readonly path: string;
	readonly input: z.core.$ZodType<Input>;
	readonly list: (db: Database) => Promise<unknown>;
	readonly ready: (db: Database, input: Input) => Promise<Outcome<Ready>>;
	readonly create: (db: Database, ready: Ready) => Promise<Answer>;
};

type Event = { readonly params: { readonly id: string }; readonly request: Request };
type Handler = (event: Event) => Promise<Response>;

/** Answers GET of one thing. */
const reading =
	<Answer extends Kept>({
		kind,
		get
	}: Pick<Resource<never, never, Answer>, 'kind' | 'get'>): Handler =>
	async ({ params: { id } }) => {
		const found = isUuid(id) ? await get(await openDatabase(), id) : null;
		return found ? json(found) : notFound(kind);
	};

/** Answers an edit of what is there: what cannot be read, what is not there, what breaks a rule, what is stale. */
export async function edited<Input, Ready, Answer extends Kept>(
	resource: Resource<Input, Ready, Answer>,
	request: Request,
	id: string
): Promise<Response> {
	const { kind, update, get, ready, save } = resource;
	const read = await readJson(request, update);
	if ('error' in read) return read.error;
	const db = await openDatabase();
	if (!(await get(db, id))) return notFound(kind);
	const { version, ...input } = read.value;
	const made = await ready(db, input as unknown as Input, id);
	if ('error' in made) return brokenRule(made.error);
	const saved = await save(db, id, made.value, version);
	if (saved) return json(saved);
	const current = await get(db, id);
	if (!current) return notFound(kind);
	const detail = `This ${kind} is at version ${current.version} by now; yours was made from ${version}.`;
	return problemResponse(409, detail, undefined, { current });
}

/** The handlers of one thing: read, edit, delete. */
export const item = <Input, Ready, Answer extends Kept & { readonly id: string }>(
	resource: ListedResource<Input, Ready, Answer>
): Record<'GET' | 'PUT' | 'DELETE', Handler> => ({
	GET: reading(resource),
	PUT: async ({ params: { id }, request }) => {
		if (isUuid(id)) return edited(resource, request, id);
		const read = await readJson(request, resource.update);
		return 'error' in read ? read.error : notFound(resource.kind);
	},
	DELETE: async ({ params: { id } }) => {
		const gone = isUuid(id) && (await resource.remove(await openDatabase(), id));
		return gone ? new Response(null, { status: 204 }) : notFound(resource.kind);
	}
});

/** Answers `POST …/undelete`: 200 with the thing as it was, or 404. */
export const undeletion =
	<Input, Ready, Answer extends Kept & { readonly id: string }>({
		kind,
		get,
		bringBack
	}: ListedResource<Input, Ready, Answer>): Handler =>
	async ({ params: { id } }) => {
		const db = await openDatabase();
		const back = isUuid(id) && (await bringBack(db, id)) ? await get(db, id) : null;
		return back ? json(back) : notFound(`deleted ${kind}`);
	};

/** The handlers of a list: read it, add to it. */
export const list = <Input, Ready, Answer extends Kept & { readonly id: string }>({
	path,
	input,
	list,
	ready,
	create
}: Collection<Input, Ready, Answer>) => ({
	GET: async (): Promise<Response> => json(await list(await openDatabase())),
	POST: async ({ request }: { request: Request }): Promise<Response> => {
		const read = await readJson(request, input);
		if ('error' in read) return read.error;
		const db = await openDatabase();
		const made = await ready(db, read.value);
		if ('error' in made) return brokenRule(made.error);
		const answer = await create(db, made.value);
		return json(answer, 201, { location: `${path}/${answer.id}` });
	}
});
