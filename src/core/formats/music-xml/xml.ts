import type { Result } from '../../kernel';
import { XMLBuilder } from 'fast-xml-parser';
import { SaxesParser } from 'saxes';

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
		: [{ [TEXT]: String(content).replace(FORBIDDEN, '') }];
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

/** Elements may stand in one another so deep. */
const DEEPEST = 64;

type OpenNode = {
	name: string;
	attributes: Record<string, string>;
	children: XmlNode[];
	text: string;
};

/** What is wrong with a document; thrown inside the reader alone. */
class Fault extends Error {}

/**
 * Reads a document. Entities of its own are never read: a document that declares some is refused.
 * @returns its root, or in a sentence what is wrong with it
 */
export function parseXml(text: string): Result<XmlNode, string> {
	const quick = treeOf(text, false);
	// Where a fault stands is looked for only when there is one.
	return 'error' in quick ? treeOf(text, true) : quick;
}

function treeOf(text: string, position: boolean): Result<XmlNode, string> {
	const parser = new SaxesParser({ xmlns: false, position });
	const open: OpenNode[] = [];
	let root: OpenNode | null = null;
	parser.on('doctype', (doctype) => {
		if (/\[|<!ENTITY/i.test(doctype)) {
			throw new Fault('The file declares entities of its own, which are not read.');
		}
	});
	parser.on('opentag', ({ name, attributes }) => {
		const node = { name, attributes: attributes as Record<string, string>, children: [], text: '' };
		open.at(-1)?.children.push(node);
		root ??= node;
		open.push(node);
		if (open.length > DEEPEST) throw new Fault('Its elements are nested too deep.');
	});
	const words = (more: string) => {
		const node = open.at(-1);
		if (node) node.text += more;
	};
	parser.on('text', words);
	parser.on('cdata', words);
	parser.on('closetag', () => {
		const node = open.pop();
		if (node) node.text = node.text.trim();
	});
	parser.on('error', ({ message }) => {
		throw new Fault(`The file is not whole XML: ${message}`);
	});
	try {
		parser.write(text.replace(/^\ufeff/, '')).close();
	} catch (error) {
		if (error instanceof Fault) return { error: error.message };
		throw error;
	}
	return root ? { value: root } : { error: 'The file holds no XML element.' };
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
