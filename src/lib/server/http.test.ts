import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { isUuid, MAX_BODY, readJson } from './http';

const schema = z.strictObject({
	name: z.string(),
	inner: z.strictObject({ n: z.number() }).optional()
});
const send = (body: BodyInit, type = 'application/json') =>
	new Request('http://x.test/', { method: 'POST', body, headers: { 'content-type': type } });

async function refusal(body: BodyInit, type?: string) {
	const read = await readJson(send(body, type), schema);
	if (!('error' in read)) throw new Error('taken');
	const answer = await read.error.json();
	expect(answer.status).toBe(read.error.status);
	return answer;
}

describe('readJson', () => {
	it('takes what fits the schema', async () => {
		expect(await readJson(send('{"name":"a"}'), schema)).toEqual({ value: { name: 'a' } });
		expect(
			await readJson(send('{"name":"a"}', 'application/json; charset=utf-8'), schema)
		).toHaveProperty('value');
	});

	it('tells why it refuses', async () => {
		expect(await refusal('{"name":"a"}', 'text/plain')).toMatchObject({ status: 415 });
		expect(await refusal('{"name":')).toMatchObject({ status: 400 });
		expect(await refusal(new Uint8Array([0x22, 0xff, 0x22]))).toMatchObject({ status: 400 });
		expect(await refusal(`{"name":"${'x'.repeat(MAX_BODY)}"}`)).toMatchObject({ status: 413 });
		expect(await refusal('{"name":1}')).toMatchObject({ status: 422, issues: [{ path: 'name' }] });
		expect(await refusal('{"name":"a","inner":{"n":1,"o":2},"p":3}')).toMatchObject({
			issues: [{ path: 'inner.o', message: 'Unknown field: o.' }, { path: 'p' }]
		});
	});

	it('knows an id when it sees one', () => {
		expect(isUuid('00000000-0000-4000-8000-000000000000')).toBe(true);
		expect(isUuid('../etc')).toBe(false);
	});
});
