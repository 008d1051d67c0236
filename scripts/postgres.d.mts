export function startPostgres(): Promise<{
	url: string;
	stop: () => Promise<void>;
	restart: (how: 'fast' | 'immediate') => Promise<void>;
} | null>;
