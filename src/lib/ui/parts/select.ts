/** One line of a list to choose from; those of one `group` stand together under its name. */
export type SelectOption<T extends string = string> = {
	readonly value: T;
	readonly name: string;
	readonly group?: string;
};

/** Lines under one name; `''` for those that have none. */
export type SelectGroup<T extends string = string> = {
	readonly name: string;
	readonly options: readonly SelectOption<T>[];
};

/** Options in the order given, those of one group that follow each other together. */
export function selectGroups<T extends string>(
	options: readonly SelectOption<T>[]
): SelectGroup<T>[] {
	const made: { name: string; options: SelectOption<T>[] }[] = [];
	for (const option of options) {
		const name = option.group ?? '';
		if (made.at(-1)?.name !== name) made.push({ name, options: [] });
		made.at(-1)?.options.push(option);
	}
	return made;
}
