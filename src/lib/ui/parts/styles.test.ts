import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';

/** Every component of the app with its markup and, where it has one, its style block. */
const components = ['src/lib', 'src/routes'].flatMap((folder) =>
	readdirSync(folder, { recursive: true, encoding: 'utf8' })
		.filter((name) => name.endsWith('.svelte'))
		.map((name) => {
			const text = readFileSync(join(folder, name), 'utf8');
			const style = /<style>\n([\s\S]*?)<\/style>/.exec(text)?.[1] ?? '';
			return { name, markup: text.replace(/<style>[\s\S]*<\/style>/, ''), style };
		})
);

describe('looks', () => {
	test('style blocks are few, and each says why it is there', () => {
		const styled = components.filter(({ style }) => style !== '');
		const lines = styled.reduce((sum, { style }) => sum + style.split('\n').length, 0);
		expect(components.length).toBeGreaterThan(100);
		expect(lines).toBeLessThanOrEqual(400);
		for (const { name, style } of styled) expect(style.trimStart(), name).toMatch(/^\/\*/);
	});

	test('no colour and no size of text stands outside the theme', () => {
		const odd = components.flatMap(({ name, markup }) =>
			[...markup.matchAll(/-\[(?:#|rgb|hsl|oklch|color-mix)[^\]]*\]|text-\[\d+(?:px|rem)\]/g)].map(
				([found]) => `${name}: ${found}`
			)
		);
		expect(odd).toEqual([]);
	});
});
