import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';

/** An element: its name, attributes, and what it holds, in order. Text is plain, without entities. */
export type XmlNode = {
	readonly name: string;
	readonly attributes: Readonly<Record<string, string>>;
	readonly children: readonly XmlNode[];
	readonly text: string;
};

/** An element as the library writes it: its name with its children, and `:@` with its attributes. */
type Raw = Record<string, unknown>;

const ATTRIBUTES = ':@';
const TEXT = '#text';
// Signs that XML cannot hold.
/* eslint-disable no-control-regex */
const FORBIDDEN =
	/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;
/* eslint-enable no-control-regex */

/** Makes an element; children that are null are left out, a text or a number is the element's text. */
export function el(
	name: string,
	content: string | number | readonly (Raw | null)[] = [],
	attributes: Readonly<Record<string, string | number>> = {}
): Raw {
	const children = Array.isArray(content)
		? content.filter((child) => child !== null)
		: [{ [TEXT]: String(content as string | number).replace(FORBIDDEN, '') }];
	const named = Object.entries(attributes).map(([key, value]) => [
		key,
		String(value).replace(FORBIDDEN, '')
	]);
	return {
		[name]: children,
		...(named.length > 0 ? { [ATTRIBUTES]: Object.fromEntries(named) } : {})
	};
}

/** The text of a document. */
export function buildXml(root: Raw): string {
	const builder = new XMLBuilder({
		preserveOrder: true,
		ignoreAttributes: false,
		attributeNamePrefix: '',
		format: true,
		indentBy: ' ',
		suppressEmptyNode: true
	});
	return String(builder.build([root])).trim();
}

const ENTITIES: Readonly<Record<string, string>> = {
	amp: '&',
	lt: '<',
	gt: '>',
	quot: '"',
	apos: "'"
};

/** The five entities of XML itself and numbers of signs; any other stays as it stands. */
const plain = (text: string): string =>
	text.replace(/&(?:#(\d{1,7})|#x([\da-f]{1,6})|(\w+));/gi, (all, decimal, hex, name: string) => {
		if (name !== undefined) return ENTITIES[name] ?? all;
		const code = decimal ? Number(decimal) : parseInt(String(hex), 16);
		return code <= 0x10ffff ? String.fromCodePoint(code) : all;
	});

function nodeOf(raw: Raw): XmlNode | null {
	const name = Object.keys(raw).find((key) => key !== ATTRIBUTES);
	if (name === undefined || name === TEXT) return null;
	const inner = raw[name] as Raw[];
	const children: XmlNode[] = [];
	let text = '';
	for (const child of inner) {
		if (TEXT in child) text += String(child[TEXT]);
		else {
			const node = nodeOf(child);
			if (node) children.push(node);
		}
	}
	const own = (raw[ATTRIBUTES] ?? {}) as Record<string, unknown>;
	const attributes = Object.fromEntries(
		Object.entries(own).map(([key, value]) => [key, plain(String(value))])
	);
	return { name, attributes, children, text: plain(text).trim() };
}

/** Elements may stand in one another so deep. */
const DEEPEST = 64;

/**
 * Reads a document. Entities of its own are never read: a document that declares some is refused.
 * @returns its root, or in a sentence what is wrong with it
 */
export function parseXml(text: string): XmlNode | { readonly problem: string } {
	const body = text.replace(/^\ufeff/, '');
	const doctype = /<!DOCTYPE[^>[]*(\[)?/i.exec(body);
	if (doctype?.[1] !== undefined || /<!ENTITY/i.test(body)) {
		return { problem: 'The file declares entities of its own, which are not read.' };
	}
	const checked = XMLValidator.validate(body);
	if (checked !== true) {
		const { msg, line, col } = checked.err;
		return { problem: `The file is not whole XML: line ${line}, column ${col}: ${msg}` };
	}
	try {
		const parser = new XMLParser({
			preserveOrder: true,
			ignoreAttributes: false,
			attributeNamePrefix: '',
			parseTagValue: false,
			parseAttributeValue: false,
			processEntities: false,
			ignoreDeclaration: true,
			ignorePiTags: true,
			maxNestedTags: DEEPEST
		});
		const roots = (parser.parse(body) as Raw[]).flatMap((raw) => nodeOf(raw) ?? []);
		return roots[0] ?? { problem: 'The file holds no XML element.' };
	} catch (error) {
		const why = error instanceof Error ? error.message : 'it cannot be read';
		return { problem: `The file is not whole XML: ${why}` };
	}
}

/** The first child of a name. */
export const child = (node: XmlNode | undefined, name: string): XmlNode | undefined =>
	node?.children.find((entry) => entry.name === name);

/** Every child of a name. */
export const all = (node: XmlNode | undefined, name: string): readonly XmlNode[] =>
	node?.children.filter((entry) => entry.name === name) ?? [];

/** The text of the element at the end of a path of names; empty where one is missing. */
export const textAt = (node: XmlNode | undefined, ...path: readonly string[]): string =>
	path.reduce<XmlNode | undefined>((at, name) => child(at, name), node)?.text ?? '';

/** A number at the end of a path; null where there is none. */
export function numberAt(node: XmlNode | undefined, ...path: readonly string[]): number | null {
	const text = textAt(node, ...path);
	const value = Number(text);
	return text === '' || !Number.isFinite(value) ? null : value;
}
