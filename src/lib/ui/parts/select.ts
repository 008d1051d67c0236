/** One line of a list to choose from; those of one `group` stand together under its name. */
export type SelectOption<T extends string = string> = {
	readonly value: T;
	readonly name: string;
	readonly group?: string;
};
