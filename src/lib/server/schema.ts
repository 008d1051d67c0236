// All tables: the notebook (tunes, routes, motifs, sets, instruments, the player) and what is practised.
export * from './schema-notebook';
export * from './schema-practice';
