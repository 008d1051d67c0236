export function templatePath(): string;
export function copyTemplate(folder: string): void;
