import fc from 'fast-check';
import { FERRY } from './helpers';

const CHARTS = [
	FERRY,
	'| C |',
	'title: Sixes\nkey: F# minor\ntime: 6/8\n[A x3]\n|: F#m | D . . E |1. C#7alt :|2. N.C. |\n',
	'key: auto\n| I | <IV7 | {3/4} V7/ii | % |\n',
	'| '.repeat(600),
	'no chart at all',
	''
];

type Schema = {
	type?: string | string[];
	enum?: unknown[];
	const?: unknown;
	anyOf?: Schema[];
	oneOf?: Schema[];
	properties?: Record<string, Schema>;
	required?: string[];
	items?: Schema;
	minimum?: number;
	maximum?: number;
	format?: string;
	minItems?: number;
};

export type Operation = {
	parameters?: { name: string; in: 'path' | 'query'; schema: Schema }[];
	requestBody?: { content: Record<string, { schema: Schema }> };
};

/** What a careless or hostile client puts where something else belongs. */
export const ODD: fc.Arbitrary<unknown> = fc.oneof(
	fc.constantFrom<unknown>(
		...[
			null,
			true,
			0,
			-1,
			1.5,
			1e308,
			-1e308,
			2 ** 31,
			2 ** 53,
			1e-320,
			'',
			' ',
			'\0',
			'\ud800',
			'♭'
		],
		...['__proto__', 'constructor', '../../etc/passwd', "'; drop table tune; --", '%00', '1e999'],
		...['x'.repeat(100_000), '('.repeat(20_000), [], {}, [[[[[[[[]]]]]]]], { __proto__: null }]
	),
	fc.string({ unit: 'binary', maxLength: 40 }),
	fc.array(fc.integer(), { maxLength: 5 }),
	fc.constantFrom(...CHARTS),
	fc.double()
);

/** Values that a schema allows, more or less. */
export function valuesOf(
	schema: Schema,
	ids: readonly string[],
	name = '',
	depth = 0
): fc.Arbitrary<unknown> {
	if (schema.const !== undefined) return fc.constant(schema.const);
	if (schema.enum) return fc.constantFrom(...schema.enum);
	const either = schema.anyOf ?? schema.oneOf;
	if (either) return fc.oneof(...either.map((one) => valuesOf(one, ids, name, depth)));
	const type = Array.isArray(schema.type) ? schema.type[0] : schema.type;
	if (type === 'object') {
		const properties = Object.entries(schema.properties ?? {});
		return fc.record(
			Object.fromEntries(
				properties.map(([key, value]) => [key, valuesOf(value, ids, key, depth + 1)])
			),
			{ requiredKeys: schema.required ?? [] }
		);
	}
	if (type === 'array') {
		const most = Math.max(schema.minItems ?? 0, depth > 3 ? 1 : 4);
		return fc.array(valuesOf(schema.items ?? {}, ids, name, depth + 1), { maxLength: most });
	}
	if (type === 'integer' || type === 'number') {
		const min = Math.max(schema.minimum ?? -1000, -1e6);
		const max = Math.min(schema.maximum ?? 4000, 1e6);
		return type === 'integer' ? fc.integer({ min, max }) : fc.double({ min, max, noNaN: true });
	}
	if (type === 'boolean') return fc.boolean();
	if (type === 'null') return fc.constant(null);
	if (schema.format === 'uuid') return fc.constantFrom(...ids);
	if (schema.format === 'date-time') return fc.constant('2026-03-02T10:00:00.000Z');
	if (name === 'chart') return fc.constantFrom(...CHARTS);
	return fc.oneof(
		fc.constantFrom(
			'Bb7',
			'Dm7',
			'C',
			'Bb',
			'mixolydian',
			'minor pentatonic',
			'E2 A2 D3 G3 B3 E4',
			'R',
			'b3',
			'1',
			'A',
			'steady'
		),
		fc.string({ maxLength: 12 })
	);
}

/** The same with one thing in it changed for something odd, taken away or added. */
export function spoilt(
	value: unknown,
	[turn, path, odd]: readonly [number, readonly number[], unknown]
): unknown {
	if (turn === 0 || typeof value !== 'object' || value === null) return turn === 0 ? value : odd;
	const copy: Record<string, unknown> | unknown[] = Array.isArray(value)
		? [...value]
		: { ...value };
	const keys = Object.keys(copy);
	const [at, ...rest] = path;
	if (keys.length === 0 || at === undefined) return { ...copy, surplus: odd };
	const key = keys[at % keys.length];
	const bag = copy as Record<string, unknown>;
	if (turn === 1 && rest.length > 0) bag[key] = spoilt(bag[key], [turn, rest, odd]);
	else bag[key] = turn === 2 ? undefined : odd;
	return copy;
}
